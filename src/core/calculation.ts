import * as v from 'valibot';
import type { Size } from './imaging/planes';
import type { Raster } from './imaging/raster';

/** A picture that may have been read coarser than it is, and its size in full. */
export interface ReadRaster {
  readonly picture: Raster;
  readonly whole: Size;
}

/**
 * Whoever asks for a sum on a picture reads the file that its input names, upright and in sRGB; so many of its pixels each way may become one
 * while it is read, where that is quicker.
 */
export type ReadPicture = (path: string, coarser: number) => Promise<ReadRaster>;

/** How a sum on a picture names its places. */
export interface LooksAt<Input> {
  /** How many pixels may become one without loss to this sum. */
  readonly coarser: (input: Input) => number;
  /** @throws BadInput where a place can't be in a picture of this size: said in its own pixels, before it is read coarser */
  readonly refuse: (input: Input, whole: Size) => void;
  /** The same input in the pixels of a coarser picture: so many of its pixels to one of the whole picture's, along and down. */
  readonly scaled: (input: Input, along: number, down: number) => Input;
}

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
  { coarser, refuse, scaled }: LooksAt<v.InferOutput<Input>>,
): Calculation => ({
  ...{ line, input, output },
  run: async (raw, read) => {
    const parsed = v.parse(input, raw);
    const { picture, whole } = await read(parsed.image, coarser(parsed));
    refuse(parsed, whole);
    const asked =
      picture.width === whole.width && picture.height === whole.height
        ? parsed
        : scaled(parsed, picture.width / whole.width, picture.height / whole.height);
    return v.parse(output, await work(picture, asked));
  },
});
