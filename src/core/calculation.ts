import * as v from 'valibot';
import type { Raster } from './imaging/raster';

/** Whoever asks for a sum on a picture reads the file that its input names, upright and in sRGB. */
export type ReadPicture = (path: string) => Promise<Raster>;

/** A sum that can be asked for by name, from the command line or a script. It checks what goes in and what comes out. */
export interface Calculation {
  readonly line: string;
  readonly input: v.GenericSchema;
  readonly output: v.GenericSchema;
  readonly run: (input: unknown, read: ReadPicture) => Promise<unknown>;
}

/**
 * Makes one of a function; the answer holds only what its schema names, so what just the screen shows stays out of it.
 * @throws ValiError where the input doesn’t fit its schema, or the answer doesn’t
 */
export const calculation = <Input extends v.GenericSchema>(
  line: string,
  input: Input,
  output: v.GenericSchema,
  work: (input: v.InferOutput<Input>) => unknown,
): Calculation => ({
  ...{ line, input, output },
  run: async (raw) => v.parse(output, await work(v.parse(input, raw))),
});

/** The same for a sum on a picture. */
export const onPicture = <Input extends v.GenericSchema<unknown, { readonly image: string }>>(
  line: string,
  input: Input,
  output: v.GenericSchema,
  work: (picture: Raster, input: v.InferOutput<Input>) => unknown,
): Calculation => ({
  ...{ line, input, output },
  run: async (raw, read) => {
    const parsed = v.parse(input, raw);
    return v.parse(output, await work(await read(parsed.image), parsed));
  },
});
