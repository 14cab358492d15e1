import path from 'node:path';

const ROOT = path.resolve(import.meta.dirname, '..');

/** The shop's folder: the one that is named, or the one beside the program, whatever the current folder is. */
export const dataFolderOf = (): string =>
  path.resolve(process.env.STEREOTOME_DATA ?? path.join(ROOT, 'data'));

/** Runs a command to its end: 0 where all is right, 1 where something was found, 2 with words where it can't be done. */
export async function say(work: () => Promise<boolean>): Promise<void> {
  try {
    process.exitCode = (await work()) ? 0 : 1;
  } catch (error) {
    console.error(error instanceof Error ? error.message : error);
    process.exitCode = 2;
  }
}
