import fs from 'node:fs/promises';
import path from 'node:path';
import { createTransport } from 'nodemailer';

/*
 * The stand-in for mail: what would be sent lies as a file in the shop's outbox, in the form that any mail program opens (`.eml`). A real
 * sender takes the place of `putMail` alone.
 */

export interface Message {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly subject: string;
  readonly text: string;
  readonly date: Date;
  readonly attachments: readonly { readonly filename: string; readonly content: Buffer }[];
}

/** Sends nothing: it answers the message as it would be sent. */
const WRITER = createTransport({ streamTransport: true, buffer: true, newline: 'windows' });

export const outboxOf = (dataFolder: string): string => path.join(dataFolder, 'outbox');

/**
 * Writes a message into the outbox, aside first and then under its name, so that no half of one is ever sent.
 * @returns the file's name
 */
export async function putMail(dataFolder: string, message: Message): Promise<string> {
  const { id, attachments, ...head } = message;
  const { message: bytes } = await WRITER.sendMail({
    ...head,
    messageId: `<${id}@stereotome.invalid>`,
    attachments: [...attachments],
    disableFileAccess: true,
    disableUrlAccess: true,
  });
  const folder = outboxOf(dataFolder);
  const name = `${id}.eml`;
  await fs.mkdir(folder, { recursive: true });
  await fs.writeFile(path.join(folder, `${name}.part`), bytes);
  await fs.rename(path.join(folder, `${name}.part`), path.join(folder, name));
  return name;
}
