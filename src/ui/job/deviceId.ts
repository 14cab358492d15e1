const KEY = 'stereotome-device';

/** This browser's own name, made once: by it the shop knows on which device something waits. */
export function deviceId(): string {
  try {
    const known = localStorage.getItem(KEY);
    if (known) return known;
    const made = crypto.randomUUID();
    localStorage.setItem(KEY, made);
    return made;
  } catch {
    return 'unnamed';
  }
}
