import PDFDocument from 'pdfkit';
import encodeQr from 'qr';
import * as v from 'valibot';
import { expectedPieces } from '@/core/strip/inventory';
import { IdSchema } from '@/model/ids';
import { openJob } from '../job/openJob';
import { collectPdf, registerFonts } from '../pdf';
import { defineUseCase } from '../useCase';

const MM = 72 / 25.4;
/** Three columns of eight on A4, as label sheets are cut. */
const COLUMNS = 3;
const ROWS = 8;
const LABEL = { width: 70 * MM, height: 37.125 * MM } as const;
const QR = 24 * MM;
const EDGE = 4 * MM;

const InputSchema = v.object({ jobId: IdSchema, origin: v.pipe(v.string(), v.url(), v.maxLength(200)) });

/**
 * A sheet of labels for bags: one for each kind of piece, with the peg, a bag number that can be typed, the name, how many
 * belong in it, and a QR code that opens the part.
 */
export const printLabels = defineUseCase(
  'job.read',
  InputSchema,
  async (_actor, { db }, { jobId, origin }) => {
    const { job, unitType } = openJob(db, jobId);
    const sheet = new PDFDocument({ size: 'A4', margin: 0, info: { Title: `Labels for peg ${job.peg}` } });
    registerFonts(sheet);
    const finished = collectPdf(sheet);
    unitType.positions.forEach((position, index) => {
      const place = index % (COLUMNS * ROWS);
      if (index > 0 && place === 0) sheet.addPage();
      drawLabel(sheet, [(place % COLUMNS) * LABEL.width, Math.floor(place / COLUMNS) * LABEL.height], {
        peg: job.peg,
        bag: index + 1,
        name: position.name,
        pieces: expectedPieces(position),
        address: `${origin}/jobs/${job.peg}?part=${position.id}`,
      });
    });
    sheet.end();
    return { peg: job.peg, bytes: await finished };
  },
);

interface Label {
  readonly peg: number;
  readonly bag: number;
  readonly name: string;
  readonly pieces: number;
  readonly address: string;
}

function drawLabel(
  sheet: PDFKit.PDFDocument,
  [x, y]: readonly [number, number],
  { peg, bag, name, pieces, address }: Label,
): void {
  const width = LABEL.width - QR - 3 * EDGE;
  sheet.fillColor('#000').font('bold').fontSize(15);
  sheet.text(`${peg} · bag ${bag}`, x + EDGE, y + EDGE, { width, lineBreak: false });
  sheet.fontSize(11).text(name, x + EDGE, y + EDGE + 24, { width, height: 44, ellipsis: true });
  sheet.font('text').fontSize(9);
  sheet.text(pieces === 1 ? '1 piece' : `${pieces} pieces`, x + EDGE, y + LABEL.height - EDGE - 12, {
    width,
    lineBreak: false,
  });
  drawCode(sheet, [x + LABEL.width - QR - EDGE, y + (LABEL.height - QR) / 2], address);
}

function drawCode(sheet: PDFKit.PDFDocument, [x, y]: readonly [number, number], address: string): void {
  const rows = encodeQr(address, 'raw', { ecc: 'medium', border: 1 });
  const module = QR / rows.length;
  rows.forEach((row, down) => {
    row.forEach((dark, across) => {
      if (dark) sheet.rect(x + across * module, y + down * module, module * 1.02, module * 1.02);
    });
  });
  sheet.fill('#000');
}
