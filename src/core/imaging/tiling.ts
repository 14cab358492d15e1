import type { Size } from './planes';

/** Pixels along a tile of a photograph's pyramid. */
export const TILE = 512;

export interface Tile {
  /** How often the picture was halved: 0 is full size. */
  readonly halved: number;
  readonly column: number;
  readonly row: number;
}

/** How a picture lies in a pane: `scale` screen pixels for a pixel of it, its upper left at `x`, `y` of the pane. */
export interface View {
  readonly scale: number;
  readonly x: number;
  readonly y: number;
}

/** The tiles that a pane needs: of the coarsest level that still has a pixel for each of the screen's, those it sees. */
export function tilesSeen(picture: Size, pane: Size, view: View, pixelRatio = 1): Tile[] {
  const levels = Math.max(0, Math.ceil(Math.log2(Math.max(picture.width, picture.height) / TILE)));
  const halved = Math.min(levels, Math.max(0, Math.floor(Math.log2(1 / (view.scale * pixelRatio)) + 1e-9)));
  const side = TILE * 2 ** halved;
  const range = (offset: number, seen: number, whole: number): [number, number] => [
    Math.max(0, Math.floor(-offset / view.scale / side)),
    Math.min(Math.ceil(whole / side) - 1, Math.floor((seen - offset) / view.scale / side)),
  ];
  const [left, right] = range(view.x, pane.width, picture.width);
  const [top, bottom] = range(view.y, pane.height, picture.height);
  const tiles: Tile[] = [];
  for (let row = top; row <= bottom; row += 1)
    for (let column = left; column <= right; column += 1) tiles.push({ halved, column, row });
  return tiles;
}

/** The whole picture in the middle of a pane. */
export function fitted(picture: Size, pane: Size): View {
  const scale = Math.min(pane.width / picture.width, pane.height / picture.height);
  return {
    scale,
    x: (pane.width - scale * picture.width) / 2,
    y: (pane.height - scale * picture.height) / 2,
  };
}

/** What several pictures of different sizes have in common when they are looked at in step: which place, how near. */
export interface Look {
  /** The place in the middle of the pane, as shares of the picture. */
  readonly at: readonly [number, number];
  /** 1 is fitted. */
  readonly near: number;
}

export function lookOf(picture: Size, pane: Size, view: View): Look {
  const place = (offset: number, seen: number, whole: number) => (seen / 2 - offset) / view.scale / whole;
  return {
    at: [place(view.x, pane.width, picture.width), place(view.y, pane.height, picture.height)],
    near: view.scale / fitted(picture, pane).scale,
  };
}

export function viewOf(picture: Size, pane: Size, { at, near }: Look): View {
  const scale = near * fitted(picture, pane).scale;
  return {
    scale,
    x: pane.width / 2 - at[0] * scale * picture.width,
    y: pane.height / 2 - at[1] * scale * picture.height,
  };
}
