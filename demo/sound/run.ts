import fs from 'node:fs';
import path from 'node:path';
import { wavOf } from '@/core/sound/wav';
import { made, SCENES } from './scenes';

/* npm run make-recordings: the demonstration's recordings, the same each time. */

const FOLDER = path.join(import.meta.dirname, '../recordings');
fs.mkdirSync(FOLDER, { recursive: true });
for (const [index, scene] of SCENES.entries()) {
  const { samples, rate } = made(scene, index + 1);
  fs.writeFileSync(path.join(FOLDER, scene.file), new Uint8Array(wavOf([samples], rate)));
  console.log(scene.file);
}
