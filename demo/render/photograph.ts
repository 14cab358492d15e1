import { length } from './length';
import type { Scene, Vec } from './scene';
import { shoot } from './shoot';

const normalise = ([x, y, z]: Vec): Vec => {
  const size = length(x, y, z);
  return [x / size, y / size, z / size];
};
const cross = ([ax, ay, az]: Vec, [bx, by, bz]: Vec): Vec => [
  ay * bz - az * by,
  az * bx - ax * bz,
  ax * by - ay * bx,
];

/** A random figure in 0…1 for a pixel and a sample: the same picture on every run. */
function scatter(x: number, y: number, sample: number): number {
  let hash = Math.imul(x, 374761393) ^ Math.imul(y, 668265263) ^ Math.imul(sample, 2147483647 - 87);
  hash = Math.imul(hash ^ (hash >>> 13), 1274126177);
  hash ^= hash >>> 16;
  return (hash >>> 0) / 4294967296;
}

/** Takes the picture: several rays a pixel through a lens with depth of field, then film: exposure, vignette, grain. */
export function photograph(scene: Scene, width: number, height: number, samples: number): Uint8Array {
  const { from, at, fieldOfView, aperture } = scene.camera;
  const forward = normalise([at[0] - from[0], at[1] - from[1], at[2] - from[2]]);
  const right = normalise(cross(forward, [0, 1, 0]));
  const up = cross(right, forward);
  const focus = length(at[0] - from[0], at[1] - from[1], at[2] - from[2]);
  const tan = Math.tan((fieldOfView * Math.PI) / 360);
  const pixels = new Uint8Array(width * height * 3);
  const one = new Float64Array(3);
  const sum = new Float64Array(3);
  for (let row = 0; row < height; row += 1) {
    for (let column = 0; column < width; column += 1) {
      sum.fill(0);
      for (let sample = 0; sample < samples; sample += 1) {
        const u = ((column + (sample % 2) * 0.5 + scatter(column, row, sample) * 0.5) / width) * 2 - 1;
        const v = 1 - ((row + (sample >> 1) * 0.5 + scatter(column, row, sample + 9) * 0.5) / height) * 2;
        const [sx, sy] = [u * tan, (v * tan * height) / width];
        const ray = normalise([
          forward[0] + right[0] * sx + up[0] * sy,
          forward[1] + right[1] * sx + up[1] * sy,
          forward[2] + right[2] * sx + up[2] * sy,
        ]);
        const angle = scatter(column, row, sample + 31) * 2 * Math.PI;
        const lens = aperture * Math.sqrt(scatter(column, row, sample + 57));
        const [lx, ly] = [Math.cos(angle) * lens, Math.sin(angle) * lens];
        const eye: Vec = [
          from[0] + right[0] * lx + up[0] * ly,
          from[1] + right[1] * lx + up[1] * ly,
          from[2] + right[2] * lx + up[2] * ly,
        ];
        const aim = normalise([
          from[0] + ray[0] * focus - eye[0],
          from[1] + ray[1] * focus - eye[1],
          from[2] + ray[2] * focus - eye[2],
        ]);
        shoot(scene, eye[0], eye[1], eye[2], aim[0], aim[1], aim[2], one);
        for (let channel = 0; channel < 3; channel += 1) sum[channel]! += Math.min(6, one[channel]!);
      }
      const edge = length((column / width - 0.5) * 1.1, row / height - 0.5);
      const film = (scene.exposure / samples) * (1 - 0.55 * edge * edge);
      const grain = (scatter(column, row, 101) + scatter(column, row, 102) - 1) * 2.2;
      for (let channel = 0; channel < 3; channel += 1) {
        const light = 1 - Math.exp(-sum[channel]! * film);
        pixels[(row * width + column) * 3 + channel] = Math.max(
          0,
          Math.min(255, 255 * light ** (1 / 2.1) + grain),
        );
      }
    }
  }
  return pixels;
}
