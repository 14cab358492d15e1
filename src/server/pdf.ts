import path from 'node:path';

const FONTS = path.join(process.cwd(), 'node_modules/@expo-google-fonts/open-sans');

/** The shop's type in its two cuts, as `text` and `bold`. */
export function registerFonts(sheet: PDFKit.PDFDocument): void {
  sheet.registerFont('text', path.join(FONTS, '400Regular/OpenSans_400Regular.ttf'));
  sheet.registerFont('bold', path.join(FONTS, '600SemiBold/OpenSans_600SemiBold.ttf'));
}

/** Everything that a document will have written once it is ended. Asked for before anything is drawn. */
export function collectPdf(sheet: PDFKit.PDFDocument): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    const chunks: Buffer[] = [];
    sheet.on('data', (chunk: Buffer) => chunks.push(chunk));
    sheet.on('end', () => resolve(Buffer.concat(chunks)));
    sheet.on('error', reject);
  });
}

/** The type has no narrow space that doesn't break, and prints a box for it: figures get the usual one that doesn't. */
export const printable = (words: string): string => words.replace(/[\u2009\u202f]/g, '\u00a0');
