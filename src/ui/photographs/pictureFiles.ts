const MOST_BYTES = 50_000_000;

/** Why a file can't be taken, told before anything is queued; undefined when it may be a picture. The server looks closer. */
export async function refusePicture(file: Blob): Promise<string | undefined> {
  if (file.size === 0) return 'the file is empty.';
  if (file.size > MOST_BYTES)
    return `${Math.round(file.size / 1_000_000)} MB is more than the 50 MB that one photograph may have. It was not taken.`;
  const head = new Uint8Array(await file.slice(0, 16).arrayBuffer());
  const text = String.fromCharCode(...head);
  if (/^(II\*\0|MM\0\*|IIRO|IIU\0|FUJIFILMCCD)/.test(text) || text.slice(4, 11) === 'ftypcrx')
    return 'this is a camera’s raw file, which is no finished picture. Export it as JPEG. It was not taken.';
  const known =
    (head[0] === 0xff && head[1] === 0xd8) ||
    text.startsWith('\u0089PNG') ||
    (text.startsWith('RIFF') && text.slice(8, 12) === 'WEBP') ||
    /^ftyp(hei|hev|mif1|msf1)/.test(text.slice(4));
  return known ? undefined : 'this is no JPEG, PNG, WebP or HEIC picture. It was not taken.';
}

/** SHA-256 in hex, so that the shop's computer can tell whether the picture arrived whole. */
export async function sha256Of(file: Blob): Promise<string> {
  const digest = await crypto.subtle.digest('SHA-256', await file.arrayBuffer());
  return [...new Uint8Array(digest)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}
