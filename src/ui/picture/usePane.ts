'use client';

import { select } from 'd3-selection';
import { type D3ZoomEvent, type ZoomBehavior, zoom, zoomIdentity } from 'd3-zoom';
import { type RefObject, useCallback, useEffect, useRef, useState } from 'react';
import type { Size } from '@/core/imaging/planes';
import type { Point } from '@/core/imaging/raster';
import { fitted, type Look, lookOf, type View, viewOf } from '@/core/imaging/tiling';

/** As near as eight screen pixels for one of the picture. */
const NEAREST = 8;
const KEY_STEP = 60;

export interface Pane {
  readonly ref: RefObject<HTMLDivElement | null>;
  readonly size: Size;
  readonly view: View;
  readonly zoomBy: (factor: number) => void;
  readonly showWhole: () => void;
  /** The place of the picture under a pointer, in its own pixels. */
  readonly at: (pointer: { readonly clientX: number; readonly clientY: number }) => Point;
  readonly press: (key: string) => boolean;
}

interface PaneOptions {
  /** While something is drawn, one finger or the left button draws; the wheel and two fingers still zoom. */
  readonly drawing?: RefObject<boolean>;
  /** A look that comes from elsewhere: the picture follows. */
  readonly look?: Look | undefined;
  /** Told when a person moves this picture. */
  readonly onLook?: ((look: Look) => void) | undefined;
}

/** A pane that a picture is looked at in: dragged, zoomed by wheel, two fingers and keys. */
export function usePane(picture: Size, { drawing, look, onLook }: PaneOptions = {}): Pane {
  const ref = useRef<HTMLDivElement>(null);
  const behaviour = useRef<ZoomBehavior<HTMLDivElement, unknown>>(undefined);
  const [size, setSize] = useState<Size>({ width: 0, height: 0 });
  const [view, setView] = useState<View>({ scale: 0, x: 0, y: 0 });
  const told = useRef(onLook);
  told.current = onLook;
  const { width, height } = picture;
  useEffect(() => {
    const box = ref.current;
    if (!box) return;
    const watch = new ResizeObserver(() => setSize({ width: box.clientWidth, height: box.clientHeight }));
    watch.observe(box);
    return () => watch.disconnect();
  }, []);
  const place = useCallback((next: View) => {
    const box = ref.current;
    if (box && behaviour.current)
      select(box).call(behaviour.current.transform, zoomIdentity.translate(next.x, next.y).scale(next.scale));
  }, []);
  const starting = useRef(look);
  starting.current = look;
  useEffect(() => {
    const box = ref.current;
    if (!box || size.width === 0 || width === 0) return;
    const whole = fitted({ width, height }, size);
    const zooming = zoom<HTMLDivElement, unknown>()
      .scaleExtent([Math.min(whole.scale, 1) * 0.8, NEAREST])
      .translateExtent([
        [-0.25 * width, -0.25 * height],
        [1.25 * width, 1.25 * height],
      ])
      .extent([
        [0, 0],
        [size.width, size.height],
      ])
      .filter((event: MouseEvent | TouchEvent) => mayMove(event, drawing?.current === true))
      .on('zoom', ({ transform, sourceEvent }: D3ZoomEvent<HTMLDivElement, unknown>) => {
        const next = { scale: transform.k, x: transform.x, y: transform.y };
        setView(next);
        if (sourceEvent) told.current?.(lookOf({ width, height }, size, next));
      });
    behaviour.current = zooming;
    select(box).call(zooming).on('dblclick.zoom', null);
    place(starting.current ? viewOf({ width, height }, size, starting.current) : whole);
    return () => {
      select(box).on('.zoom', null);
    };
  }, [size, width, height, place, drawing]);
  useEffect(() => {
    if (look && size.width > 0) place(viewOf({ width, height }, size, look));
  }, [look, size, width, height, place]);
  const move = (next: View) => {
    place(next);
    onLook?.(lookOf(picture, size, next));
  };
  const zoomBy = (factor: number) => {
    // Nothing is shown yet, so nothing can be nearer.
    if (view.scale === 0) return;
    const scale = Math.min(NEAREST, view.scale * factor);
    const [cx, cy] = [size.width / 2, size.height / 2];
    const kept = scale / view.scale;
    move({ scale, x: cx - (cx - view.x) * kept, y: cy - (cy - view.y) * kept });
  };
  const showWhole = () => move(fitted(picture, size));
  const press = (key: string): boolean => {
    const steps: Record<string, readonly [number, number]> = {
      ArrowLeft: [KEY_STEP, 0],
      ArrowRight: [-KEY_STEP, 0],
      ArrowUp: [0, KEY_STEP],
      ArrowDown: [0, -KEY_STEP],
    };
    if (key === '+' || key === '=') zoomBy(1.4);
    else if (key === '-') zoomBy(1 / 1.4);
    else if (key === '0') showWhole();
    else if (steps[key]) move({ ...view, x: view.x + steps[key][0], y: view.y + steps[key][1] });
    else return false;
    return true;
  };
  const at: Pane['at'] = ({ clientX, clientY }) => {
    const box = ref.current?.getBoundingClientRect();
    return [
      (clientX - (box?.left ?? 0) - view.x) / view.scale,
      (clientY - (box?.top ?? 0) - view.y) / view.scale,
    ];
  };
  return { ref, size, view, zoomBy, showWhole, press, at };
}

function mayMove(event: MouseEvent | TouchEvent, drawing: boolean): boolean {
  if ((event.target as Element).closest('[data-grip]')) return false;
  if (event.type === 'wheel') return true;
  if ('touches' in event) return !drawing || event.touches.length > 1;
  return !event.ctrlKey && (drawing ? event.button === 1 : event.button === 0 || event.button === 1);
}
