import { length } from './length';
import { KEY, roomLight } from './light';
import type { Scene, Surface } from './scene';

const FAR = 90;

interface Hit {
  x: number;
  y: number;
  z: number;
  t: number;
}

/** Walks along a ray until something is near; undefined when nothing is. */
function march(
  scene: Scene,
  ox: number,
  oy: number,
  oz: number,
  dx: number,
  dy: number,
  dz: number,
  from: number,
  far: number,
  steps: number,
): Hit | undefined {
  let t = from;
  for (let step = 0; step < steps && t < far; step += 1) {
    const d = scene.distance(ox + dx * t, oy + dy * t, oz + dz * t);
    if (d < 0.0006 + t * 0.00006) return { x: ox + dx * t, y: oy + dy * t, z: oz + dz * t, t };
    t += Math.max(d * 0.85, 0.0008);
  }
  return undefined;
}

const normal = { x: 0, y: 0, z: 0 };

/** Gradient of a field by four samples at the corners of a tetrahedron. */
function gradient(
  field: (x: number, y: number, z: number) => number,
  x: number,
  y: number,
  z: number,
  h: number,
): void {
  const a = field(x + h, y - h, z - h);
  const b = field(x - h, y - h, z + h);
  const c = field(x - h, y + h, z - h);
  const d = field(x + h, y + h, z + h);
  normal.x = (a - b - c + d) / (4 * h);
  normal.y = (-a - b + c + d) / (4 * h);
  normal.z = (-a + b - c + d) / (4 * h);
}

function shadow(scene: Scene, x: number, y: number, z: number): number {
  let lit = 1;
  let t = 0.03;
  for (let step = 0; step < 20 && t < 8; step += 1) {
    const d = scene.distance(x + KEY.x * t, y + KEY.y * t, z + KEY.z * t);
    lit = Math.min(lit, (7 * d) / t + 0.02);
    if (lit < 0.03) return 0.03;
    t += Math.max(d, 0.02);
  }
  return Math.max(0.03, lit);
}

function openness(scene: Scene, x: number, y: number, z: number, nx: number, ny: number, nz: number): number {
  let closed = 0;
  let weight = 1;
  for (let step = 1; step <= 5; step += 1) {
    const h = 0.05 * step * step * 0.55;
    closed += weight * Math.max(0, h - scene.distance(x + nx * h, y + ny * h, z + nz * h));
    weight *= 0.62;
  }
  return Math.max(0.05, 1 - 1.9 * closed);
}

const surface: Surface = { r: 0, g: 0, b: 0, rough: 0, metal: 0 };

/** Light that comes back along one ray, written into `out` as linear red, green, blue. */
export function shoot(
  scene: Scene,
  ox: number,
  oy: number,
  oz: number,
  dx: number,
  dy: number,
  dz: number,
  out: Float64Array,
): void {
  const hit = march(scene, ox, oy, oz, dx, dy, dz, 0.5, FAR, 220);
  if (!hit) {
    out.fill(0.03);
    return;
  }
  const { x, y, z } = hit;
  gradient(scene.distance, x, y, z, 0.0015);
  let size = length(normal.x, normal.y, normal.z) || 1;
  const [gx, gy, gz] = [normal.x / size, normal.y / size, normal.z / size];
  gradient(scene.relief, x, y, z, scene.reliefStep);
  const along = normal.x * gx + normal.y * gy + normal.z * gz;
  let nx = gx - (normal.x - along * gx);
  let ny = gy - (normal.y - along * gy);
  let nz = gz - (normal.z - along * gz);
  size = length(nx, ny, nz) || 1;
  nx /= size;
  ny /= size;
  nz /= size;
  scene.surface(x, y, z, surface);
  const { r, g, b, rough, metal } = surface;

  const open = openness(scene, x, y, z, gx, gy, gz);
  const lit = shadow(scene, x + gx * 0.01, y + gy * 0.01, z + gz * 0.01);
  const facing = Math.max(0, nx * KEY.x + ny * KEY.y + nz * KEY.z);
  const diffuse = 1.25 * facing * lit + (0.3 + 0.3 * ny) * open;

  const into = dx * nx + dy * ny + dz * nz;
  const [rx, ry, rz] = [dx - 2 * into * nx, dy - 2 * into * ny, dz - 2 * into * nz];
  const grazing = (1 - Math.min(1, Math.abs(into))) ** 5;
  const room = roomLight(rx, ry, rz, rough);
  // Metal mirrors its neighbours: where the reflected ray meets something near, it sees that instead of the room.
  const near =
    metal > 0.05 && march(scene, x + gx * 0.02, y + gy * 0.02, z + gz * 0.02, rx, ry, rz, 0.01, 7, 36);
  const mirrored = near ? room.light * (0.16 + 0.3 * rough) + 0.1 : room.light;
  const sharpness = 1 - rough * 0.55;
  const half = Math.max(0, rx * KEY.x + ry * KEY.y + rz * KEY.z);
  const glint = lit * half ** (6 + 90 * (1 - rough) ** 2) * (1.6 * sharpness);
  const seen = (mirrored * (0.35 + 0.65 * open) + glint) * sharpness + diffuse * rough * 0.45;
  const warm = (room.warm - 0.4) * 0.16;

  const gloss = (1 - rough) ** 2 * (0.035 + 0.5 * grazing);
  const colours = [r, g, b];
  for (let channel = 0; channel < 3; channel += 1) {
    const colour = colours[channel]!;
    const tint = 1 + (channel === 0 ? warm : channel === 2 ? -warm : 0);
    const metallic = (colour + (1 - colour) * grazing * 0.7) * seen * tint;
    const dull = colour * diffuse + gloss * room.light;
    out[channel] = metal * metallic + (1 - metal) * dull;
  }
}
