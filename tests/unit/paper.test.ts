import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { paperChanges } from '@/core/report/paperChanges';
import type { Paper } from '@/model/paper';
import { decidePart, decideUnit } from '@/server/decide/decide';
import { sha256 } from '@/server/digest';
import { setGrade } from '@/server/grade/setGrade';
import { handOverUnit } from '@/server/job/handOverUnit';
import { issueReport, readIssue } from '@/server/report/issueReport';
import { exportReport } from '@/server/report/printReport';
import { keepRecord } from '@/server/strip/keepRecord';
import { takeReading } from '@/server/strip/takeReading';
import { bookTestUnit, captureHead, openTestShop, refusalOf, type TestShop } from './fixtures/shop';

/* Reports of every kind, and what a program that reads PDF finds in them. */

let shop: TestShop;
let jobId: string;
beforeEach(() => {
  shop = openTestShop();
  jobId = bookTestUnit(shop);
  const { lead, inspector } = shop.people;
  decideUnit(lead, shop.context, {
    ...captureHead(jobId, lead),
    ...{ version: 0, decision: 'repair', reason: 'New pin.', watch: 'the magnet' },
  });
  takeReading(inspector, shop.context, {
    ...captureHead(jobId, inspector),
    ...{ positionId: 'cross-pin', checkId: 'cross-pin-diameter', place: 'upper', raw: '14.88' },
    ...{ unit: 'mm', gaugeId: 'dial' },
  });
  setGrade(inspector, shop.context, {
    jobId,
    entry: { positionId: 'cross-pin', version: 0, grade: 4, reason: 'worn flat' },
  });
  decidePart(inspector, shop.context, {
    jobId,
    entry: { positionId: 'cross-pin', version: 0, decision: 'replace', reason: '' },
  });
  record({
    what: 'step',
    stepId: 'cover-off',
    orientation: { face: 'number', toward: 'rear' },
    note: 'oily',
  });
});
afterEach(() => shop.close());

const record = (content: object) =>
  keepRecord(shop.people.inspector, shop.context, {
    ...captureHead(jobId, shop.people.inspector),
    content,
  });
const issue = (kind: string) =>
  issueReport(shop.people.lead, shop.context, { jobId, kind, reason: 'to be read' });
const exported = (number: number, as: string, paper = 'A4') =>
  exportReport(shop.people.lead, shop.context, { jobId, number, as, paper });
const textOf = async (number: number, as: string) =>
  Buffer.from((await exported(number, as)).bytes).toString('utf8');

async function readPdf(bytes: Uint8Array) {
  const pdf = await getDocument({ data: new Uint8Array(bytes), useSystemFonts: true, verbosity: 0 }).promise;
  const pages = await Promise.all(
    Array.from({ length: pdf.numPages }, async (_, at) => {
      const page = await pdf.getPage(at + 1);
      const { items } = await page.getTextContent({ includeMarkedContent: true });
      return { items, tree: await page.getStructTree(), size: page.getViewport({ scale: 1 }) };
    }),
  );
  const { info } = await pdf.getMetadata();
  return {
    pages,
    info: info as Record<string, string>,
    outline: await pdf.getOutline(),
    mark: await pdf.getMarkInfo(),
  };
}

interface Node {
  readonly role?: string;
  readonly alt?: string;
  readonly children?: readonly Node[];
}
const nodesOf = (node: Node | null): Node[] =>
  node ? [node, ...(node.children ?? []).flatMap((child) => nodesOf(child))] : [];

describe('a report on paper', () => {
  it('is tagged: title, language, outline, headings in order, tables with heads, figures with words, footers outside', async () => {
    const { number } = issue('colleague');
    const { pages, info, outline, mark } = await readPdf((await exported(number, 'pdf')).bytes);
    expect(info.Title).toBe(`Bench record of peg 501 (501-${number}): Axle head, trailer`);
    expect(info.Language).toBe('en');
    expect(mark).toMatchObject({ Marked: true });
    expect(outline.map(({ title }: { title: string }) => title)).toEqual(
      expect.arrayContaining([
        'The unit',
        'How it came apart',
        'Checks, limits and verdicts',
        'Open questions',
      ]),
    );
    const nodes = pages.flatMap(({ tree }) => nodesOf(tree as Node | null));
    const count = (role: string) => nodes.filter((node) => node.role === role).length;
    expect(count('H1')).toBeGreaterThan(0);
    expect(count('H2')).toBeGreaterThanOrEqual(outline.length);
    expect(count('TH')).toBeGreaterThan(5);
    expect(count('TR')).toBeGreaterThan(10);
    const figures = nodes.filter(({ role }) => role === 'Figure');
    expect(figures.length).toBeGreaterThan(0);
    for (const { alt } of figures) expect(alt).toMatch(/^The unit cut open\. 1: /);
    // The foot stands on every page, and no element of the document holds it.
    for (const { items } of pages) {
      const artifacts = items.filter((item) => 'tag' in item && item.tag === 'Artifact');
      expect(artifacts.length).toBeGreaterThan(0);
      const marked: string[] = [];
      const depth: string[] = [];
      for (const item of items) {
        if ('type' in item && item.type.startsWith('begin'))
          depth.push(String(('tag' in item && item.tag) || ''));
        else if ('type' in item && item.type.startsWith('end')) depth.pop();
        else if ('str' in item && item.str.startsWith('Digest ')) marked.push(depth.at(-1) ?? '');
      }
      expect(marked).toEqual(['Artifact']);
    }
  });

  it('comes in A4 and in Letter', async () => {
    const { number } = issue('customer');
    const [a4] = (await readPdf((await exported(number, 'pdf')).bytes)).pages;
    const [letter] = (await readPdf((await exported(number, 'pdf', 'LETTER')).bytes)).pages;
    // In points: 210 × 297 mm and 8.5 × 11 inches.
    expect([a4!.size.width, a4!.size.height].map(Math.round)).toEqual([595, 842]);
    expect([letter!.size.width, letter!.size.height].map(Math.round)).toEqual([612, 792]);
  });
});

describe('a report for colleagues', () => {
  it('holds readings, limits with their source, verdicts, the strip, grades, decisions and what is open', async () => {
    const { number } = issue('colleague');
    const html = await textOf(number, 'html');
    for (const words of [
      ...['Cross-pin: Diameter where the spider runs', 'upper 14.88 mm (Dial)', 'at least 14.93 mm'],
      ...['Torvane book HX, p. 5-3', 'beyond', 'number toward the rear; oily', '4 done', 'worn flat'],
      ...['Replace', 'Repair as found. New pin.', 'the magnet', 'Open questions', 'Not looked at'],
    ])
      expect(html).toContain(words);
    // What a person wrote is text.
    record({ what: 'step', stepId: 'drain', note: '<script>alert(1)</script>' });
    const again = await textOf(issue('colleague').number, 'html');
    expect(again).toContain('&lt;script&gt;');
    expect(again).not.toContain('<script');
  });

  it('tells how it went together once that began, and a unit whose bolts are open doesn’t leave without a word', async () => {
    const built = (content: object) =>
      keepRecord(shop.people.assembler, shop.context, {
        ...captureHead(jobId, shop.people.assembler),
        content,
      });
    expect(
      refusalOf(() =>
        keepRecord(shop.people.parts, shop.context, {
          ...captureHead(jobId, shop.people.parts),
          content: { what: 'refitted', of: 'cover-off', note: '' },
        }),
      ).code,
    ).toBe('no-right');
    built({ what: 'refitted', of: 'cover-off', note: 'black sealant' });
    built({ what: 'opener-note', words: 'The left shim is odd.' });
    const html = await textOf(issue('colleague').number, 'html');
    for (const words of [
      'How it went together',
      'black sealant',
      'not all at their value',
      'The left shim is odd.',
    ])
      expect(html).toContain(words);
    const out = (over: object = {}) =>
      handOverUnit(shop.people.lead, shop.context, { jobId, handedOver: true, ...over });
    expect(refusalOf(() => out()).message).toContain('Its rebuild is not closed');
    expect(out({ despite: 'it goes to another shop' })).toEqual({ handedOver: true });
  });

  it('is frozen in a chain of its own; a later one says what changed', () => {
    const first = issue('colleague');
    const customers = issue('customer');
    expect(refusalOf(() => issue('colleague')).message).toContain('Nothing changed since issue 1');
    setGrade(shop.people.inspector, shop.context, {
      jobId,
      entry: { positionId: 'cross-pin', version: 1, grade: 5, reason: 'through' },
    });
    const second = issue('colleague');
    expect([first.number, customers.number, second.number]).toEqual([1, 2, 3]);
    expect(second.changes).toContain(
      'Every part, its grade and what becomes of it, Cross-pin: grade “5 broken”, before “4 done”; graded by “The inspector: through”, before “The inspector: worn flat”.',
    );
    const stored = readIssue(shop.people.lead, shop.context, { jobId, number: 3 });
    expect(stored).toMatchObject({ kind: 'colleague', previous: 1, previousDigest: first.digest });
    expect(sha256(`${first.digest}\n3\n${stored.documentText}`)).toBe(stored.digest);
    expect(readIssue(shop.people.lead, shop.context, { jobId, number: 2 })).toMatchObject({
      kind: 'customer',
      previousDigest: null,
    });
  });
});

describe('the forms of a report', () => {
  it('CSV is one table of section, item, field and value, and nothing in it is taken for a sum', async () => {
    record({ what: 'step', title: '=HYPERLINK("x")', note: '' });
    const csv = await textOf(issue('colleague').number, 'csv');
    const [head, ...lines] = csv.trim().split('\r\n');
    expect(head).toBe('section,item,field,value');
    expect(lines).toContain(
      '"Checks, limits and verdicts",Cross-pin: Diameter where the spider runs,Verdict,beyond',
    );
    expect(csv).not.toMatch(/(^|,)"?=/m);
  });

  it('JSON holds the very text that the digest was taken of', async () => {
    const { number, digest } = issue('parts');
    const json = await textOf(number, 'json');
    const read = JSON.parse(json) as { digest: string; kind: string; document: { kind: string } };
    expect(read).toMatchObject({ digest, kind: 'parts', document: { kind: 'parts' } });
    const { documentText } = readIssue(shop.people.lead, shop.context, { jobId, number });
    expect(json).toContain(documentText);
  });

  it.each([
    ['a kind that there is not', { kind: 'poem' }, 'no such kind'],
    ['a form that there is not', { as: 'docx' }, 'PDF, HTML, CSV or JSON'],
    ['a number that there is not', { number: 99 }, 'no issue 99'],
  ])('%s is refused with words', async (_, over: Record<string, unknown>, words) => {
    const { number } = issue('parts');
    const call = async () =>
      'kind' in over
        ? issueReport(shop.people.lead, shop.context, { jobId, ...over })
        : exportReport(shop.people.lead, shop.context, { jobId, number, as: 'pdf', ...over });
    await expect(call()).rejects.toThrow(words);
  });
});

describe('what a later paper says differently', () => {
  const paper = (over: Partial<Paper['sections'][number]> = {}): Paper => ({
    ...{ title: 't', subtitle: 's', shop: { name: 'n', place: 'p', contact: 'c' } },
    sections: [
      {
        ...{ id: 'a', title: 'Checks' },
        blocks: [
          { as: 'text', words: 'one' },
          {
            ...{ as: 'table', title: 'T' },
            columns: [
              { name: 'Check', share: 0.5 },
              { name: 'Value', share: 0.5 },
            ],
            rows: [{ key: 'r', cells: ['Backlash', '0.2'] }],
          },
        ],
        ...over,
      },
    ],
  });
  const table = (rows: readonly { key: string; cells: string[] }[]) =>
    paper({
      blocks: [
        paper().sections[0]!.blocks[0]!,
        { ...(paper().sections[0]!.blocks[1] as object), rows } as never,
      ],
    });

  it.each<[string, Paper, string[]]>([
    ['nothing', paper(), []],
    [
      'a cell',
      table([{ key: 'r', cells: ['Backlash', '0.3'] }]),
      ['Checks, Backlash: value “0.3”, before “0.2”.'],
    ],
    [
      'a row that came and one that went',
      table([{ key: 's', cells: ['Run-out', '0.1'] }]),
      ['Checks: added Run-out.', 'Checks: Backlash is no longer there.'],
    ],
    ['a section that went', { ...paper(), sections: [] }, ['“Checks” is left out.']],
    ['a title', { ...paper(), title: 'other' }, ['The report is laid out anew.']],
    [
      'a line',
      paper({ blocks: [{ as: 'text', words: 'two' }, paper().sections[0]!.blocks[1]!] }),
      ['Checks, now: two.', 'Checks, no longer: one.'],
    ],
  ])('names %s', (_, after, sentences) => {
    expect(paperChanges(paper(), after)).toEqual(sentences);
  });
});
