/** Once its ticket has gone: back to the part on the drawing, or to its row in the list. */
export function focusWhereOpened(positionId: string): void {
  requestAnimationFrame(() =>
    requestAnimationFrame(() => {
      const id = CSS.escape(positionId);
      const places = document.querySelectorAll<HTMLElement | SVGElement>(
        `[data-position="${id}"], [data-row="${id}"], [data-sheet-row="${id}"]`,
      );
      [...places].find((each) => each.getClientRects().length > 0)?.focus();
    }),
  );
}
