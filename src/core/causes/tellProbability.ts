/** A probability as people say it: “about 7 in 10”, “about 1 in 20”, “under 1 in 50”. */
export function tellProbability(p: number): string {
  if (p >= 0.98) return 'nearly certain';
  if (p >= 0.95) return 'about 19 in 20';
  if (p >= 0.15) return `about ${Math.round(p * 10)} in 10`;
  if (p >= 0.075) return 'about 1 in 10';
  if (p >= 0.035) return 'about 1 in 20';
  return p >= 0.02 ? 'about 1 in 40' : 'under 1 in 50';
}
