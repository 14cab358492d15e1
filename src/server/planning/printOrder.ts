import Papa from 'papaparse';
import PDFDocument from 'pdfkit';
import * as v from 'valibot';
import { csvText } from '@/core/csvText';
import { plainAmount, tellMoney } from '@/core/planning/money';
import { type Order, ordersOf } from '@/core/planning/orders';
import { listRecords } from '@/db/captures';
import { readMoney, readShop } from '@/db/shop';
import { IdSchema } from '@/model/ids';
import type { Money } from '@/model/money';
import { openJob } from '../job/openJob';
import { collectPdf, printable, registerFonts } from '../pdf';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';

const AskedSchema = v.object({
  jobId: IdSchema,
  orderId: v.pipe(v.string(), v.maxLength(60)),
  as: v.picklist(['csv', 'pdf']),
});

/** An order as a file that any supplier can read. */
export const printOrder = defineUseCase(
  'job.read',
  AskedSchema,
  async (_actor, { db }, { jobId, orderId, as }) => {
    const { job } = openJob(db, jobId);
    const order = ordersOf(listRecords(db, jobId)).find(({ id }) => id === orderId);
    if (!order) throw new Refusal('not-found', 'This job has no such order.');
    const money = readMoney(db);
    const name = `order-${job.peg}-${order.supplier.toLowerCase().replace(/[^a-z]+/g, '-')}`;
    if (as === 'csv')
      return {
        name: `${name}.csv`,
        bytes: Buffer.from(orderAsCsv(order, money)),
        type: 'text/csv; charset=utf-8',
      };
    const sheet = new PDFDocument({ size: 'A4', margin: 56, info: { Title: `Order for peg ${job.peg}` } });
    registerFonts(sheet);
    const finished = collectPdf(sheet);
    const { name: shop, place, contact } = readShop(db);
    sheet.font('bold').fontSize(18).text(`Order to ${order.supplier}`);
    sheet
      .font('text')
      .fontSize(10)
      .text(`${shop}, ${place}. ${contact}`)
      .text(`Peg ${job.peg}, ${order.at.slice(0, 10)}, ${order.by}`);
    sheet.moveDown();
    for (const { offer, count } of order.lines) {
      sheet.font('bold').fontSize(11).text(`${count} × ${offer.name}`);
      sheet
        .font('text')
        .fontSize(10)
        .text(
          `${offer.code}   ${printable(tellMoney(offer.price * count, money))}   ${identityWords(offer.identity)}`,
        );
      sheet.moveDown(0.4);
    }
    sheet.text(`Freight ${printable(tellMoney(order.freight, money))}`);
    sheet.font('bold').text(`Together ${printable(tellMoney(order.total, money))}, without tax`);
    sheet.end();
    return { name: `${name}.pdf`, bytes: await finished, type: 'application/pdf' };
  },
);

const identityWords = (identity: Order['lines'][number]['offer']['identity']): string =>
  Object.entries(identity)
    .map(([key, value]) => `${key.replaceAll('-', ' ')} ${value}`)
    .join(', ');

/** An order as a table: what, how many, for how much, and by what it is told from what looks like it. */
export const orderAsCsv = ({ lines }: Order, money: Pick<Money, 'digits'>): string =>
  `${Papa.unparse(
    lines.map(({ offer, count }) => ({
      code: csvText(offer.code),
      name: csvText(offer.name),
      count,
      price: plainAmount(offer.price, money),
      currency: offer.currency,
      identity: identityWords(offer.identity),
    })),
    { newline: '\r\n' },
  )}\r\n`;
