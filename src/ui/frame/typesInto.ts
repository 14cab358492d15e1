/** Whether somebody types into this: then letters are letters, and no shortcuts. */
export const typesInto = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement ||
  target instanceof HTMLTextAreaElement ||
  target instanceof HTMLSelectElement;
