/** Levels of sRGB over the square root of the light, a table: a power for every pixel takes longer than the picture. */
const STEPS = 4096;
const CURVE = Float32Array.from({ length: STEPS + 1 }, (_, step) => {
  const value = (step / STEPS) ** 2;
  return 255 * (value <= 0.0031308 ? 12.92 * value : 1.055 * value ** (1 / 2.4) - 0.055);
});

/** What the camera makes of light: out of focus, grainy, eight bits of sRGB. */
export function develop(
  light: Float32Array,
  {
    width,
    height,
    seed,
    blur,
    grain,
  }: {
    readonly width: number;
    readonly height: number;
    readonly seed: number;
    readonly blur: number;
    readonly grain: number;
  },
): Uint8Array {
  if (blur > 0) blurChannels(light, width, height, blur);
  // Grain, two dice for each channel: a plain generator, since it is thrown more than a million times.
  let state = (seed * 2654435761 + 77) | 1;
  const die = () => {
    state ^= state << 13;
    state ^= state >>> 17;
    state ^= state << 5;
    return (state >>> 0) / 4294967296;
  };
  const levels = new Uint8Array(light.length);
  for (let at = 0; at < light.length; at += 1) {
    const value = light[at]!;
    const level = CURVE[value <= 0 ? 0 : value >= 1 ? STEPS : Math.round(Math.sqrt(value) * STEPS)]!;
    levels[at] = Math.max(0, Math.min(255, Math.round(level + (die() + die() - 1) * 4 * grain)));
  }
  return levels;
}

/** Three box passes on each channel: near enough to a lens out of focus. */
function blurChannels(light: Float32Array, width: number, height: number, sigma: number): void {
  const radius = Math.max(1, Math.round(sigma));
  const line = new Float32Array(Math.max(width, height));
  const pass = (count: number, start: number, step: number) => {
    for (let at = 0; at < count; at += 1) line[at] = light[start + at * step]!;
    let sum = 0;
    const read = (at: number) => line[Math.max(0, Math.min(count - 1, at))]!;
    for (let at = -radius; at <= radius; at += 1) sum += read(at);
    for (let at = 0; at < count; at += 1) {
      light[start + at * step] = sum / (2 * radius + 1);
      sum += read(at + radius + 1) - read(at - radius);
    }
  };
  for (let round = 0; round < 3; round += 1)
    for (let channel = 0; channel < 3; channel += 1) {
      for (let row = 0; row < height; row += 1) pass(width, row * width * 3 + channel, 3);
      for (let column = 0; column < width; column += 1) pass(height, column * 3 + channel, width * 3);
    }
}
