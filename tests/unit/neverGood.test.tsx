import { ChakraProvider } from '@chakra-ui/react';
import fc from 'fast-check';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import type { ReactElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { judgeCheck } from '@/core/metrology/judgeCheck';
import { judgeWorkedOut } from '@/core/metrology/workedOut';
import { composeReport } from '@/core/report/composeReport';
import { drawSection } from '@/core/section/drawSection';
import { partState } from '@/core/wear/partStanding';
import { GRADES, type GradeOrNone } from '@/model/damage';
import type { ReportDocument } from '@/model/report';
import type { JobSnapshot } from '@/model/snapshot';
import { printReport } from '@/server/report/printReport';
import { GradeLine } from '@/ui/kit/GradeMark';
import { system } from '@/ui/kit/theme';
import { ReportPaper } from '@/ui/report/ReportPaper';
import { PartList } from '@/ui/section/PartList';
import { SectionLabel } from '@/ui/section/SectionLabel';
import { SectionMarks } from '@/ui/section/SectionMarks';
import { randomJob } from './fixtures/randomJob';
import { openTestShop, type TestShop } from './fixtures/shop';

const html = (element: ReactElement) =>
  renderToStaticMarkup(<ChakraProvider value={system}>{element}</ChakraProvider>).replace(
    /<style[\s\S]*?<\/style>/g,
    '',
  );
const statesOf = (snapshot: JobSnapshot) =>
  snapshot.unitType.positions.map((position) => partState(position, snapshot, snapshot.catalogs));
const reportOf = (snapshot: JobSnapshot) =>
  composeReport({
    shop: { name: 's', place: '', contact: '' },
    snapshot,
    parts: statesOf(snapshot),
  });

/**
 * What may be called good, said again from the facts alone: a person graded the part 0 to 2, and every check on
 * it has a limit and a verdict within. Nothing here is taken from the code that decides it for the screens.
 */
function mayBeGood(snapshot: JobSnapshot, positionId: string): boolean {
  const grade = snapshot.grades.find((entry) => entry.positionId === positionId)?.grade;
  if (grade === undefined || grade > 2) return false;
  if (leftOpen(snapshot, positionId)) return false;
  return snapshot.unitType.checks
    .filter(({ positions }) => positions.includes(positionId))
    .every((check) => {
      if (check.difference)
        return (
          check.limits.length > 0 &&
          judgeWorkedOut(
            check,
            snapshot.unitType.checks,
            snapshot.readings.filter(({ struck }) => struck === null),
            snapshot.gauges,
          ).word === 'within'
        );
      const readings = snapshot.readings.filter(
        (reading) =>
          reading.struck === null && reading.checkId === check.id && reading.positionId === positionId,
      );
      const every = (check.places ?? ['']).every((place) =>
        readings.some((reading) => reading.place === place),
      );
      return (
        check.limits.length > 0 && every && judgeCheck(check, readings, snapshot.gauges).word === 'within'
      );
    });
}

/** A test by hand that couldn't be said, pieces that nobody looked at, a colleague who was asked: by the records alone. */
function leftOpen({ records, unitType }: JobSnapshot, positionId: string): boolean {
  const own = records.flatMap(({ struck, content }) =>
    struck === null && 'positionId' in content && content.positionId === positionId ? [content] : [],
  );
  const lastTests = new Map(
    own.flatMap((content) => (content.what === 'hand-test' ? [[content.testId, content.result]] : [])),
  );
  const pieces = own.flatMap((content) => (content.what === 'pieces-graded' ? [content.pieces] : [])).at(-1);
  const { quantity } = unitType.positions.find(({ id }) => id === positionId)!;
  const looked = pieces?.reduce((sum, { count }) => sum + count, 0);
  return (
    own.some(({ what }) => what === 'asked') ||
    [...lastTests.values()].includes('cannot-say') ||
    (looked !== undefined && looked < (quantity?.rows ?? 1) * (quantity?.count ?? 1))
  );
}

/** The words of a printed report, page after page. */
async function printedWords(document: ReportDocument): Promise<string> {
  const issue = {
    document,
    kind: 'customer',
    number: 1,
    issuedAt: '2026-11-24T09:00:00.000Z',
    issuedBy: 'Jonas',
    digest: 'dddd',
    changes: [],
  };
  const bytes = await printReport(shop.context, issue as never, 'A4');
  const pdf = await getDocument({ data: new Uint8Array(bytes), useSystemFonts: true }).promise;
  const pages = await Promise.all(
    Array.from({ length: pdf.numPages }, async (_, index) => {
      const { items } = await (await pdf.getPage(index + 1)).getTextContent();
      return items.map((item) => ('str' in item ? item.str : '')).join(' ');
    }),
  );
  return pages.join(' ').replace(/\s+/g, ' ');
}

const GOOD_HEADS = /(Looked at and sound|Worn, within limits|Worn, judged by eye: no limit is known)/;
const NEXT_HEADS =
  /(Looked at and sound|Worn, judged by eye: no limit is known|Not settled|What to watch|Cautions)/;

let shop: TestShop;
beforeAll(() => {
  shop = openTestShop();
});
afterAll(() => shop.close());

describe('on paper', () => {
  it('no part that nobody looked at, or that has no limit, stands among the good ones', async () => {
    for (const snapshot of fc.sample(randomJob, { numRuns: 12, seed: 41 })) {
      const words = await printedWords(reportOf(snapshot));
      const [, ...rest] = words.split(GOOD_HEADS);
      const good = rest.filter((_, index) => index % 2 === 1).map((text) => text.split(NEXT_HEADS)[0] ?? '');
      for (const { id, name } of snapshot.unitType.positions)
        if (!mayBeGood(snapshot, id))
          for (const text of good) expect(` ${text}`.includes(`, ${name} (`), `${name}: ${text}`).toBe(false);
    }
  }, 120_000);
});

describe('what nobody looked at, or has no limit', () => {
  it('is called good in no report, on no screen and in no list', () => {
    fc.assert(
      fc.property(randomJob, (snapshot) => {
        const document = reportOf(snapshot);
        const good = [...document.sound, ...document.worn].map(({ positionId }) => positionId);
        for (const id of good) expect(mayBeGood(snapshot, id), id).toBe(true);
        const page = html(<ReportPaper document={document} photographUrl={String} drawing={undefined} />);
        const shownGood = [...page.matchAll(/data-good="([^"]+)"/g)].map(([, id]) => id);
        expect(shownGood.sort()).toEqual(good.sort());
        // Whatever is neither good nor damaged stands among the open questions.
        const named = new Set([
          ...good,
          ...document.damaged.map(({ positionId }) => positionId),
          ...document.open.map(({ positionId }) => positionId),
        ]);
        expect(snapshot.unitType.positions.filter(({ id }) => !named.has(id))).toEqual([]);
      }),
      { numRuns: 40 },
    );
  }, 120_000);

  it('carries no grade on the section and says so in the list', () => {
    fc.assert(
      fc.property(randomJob, (snapshot) => {
        const parts = statesOf(snapshot);
        const gradeOf = (id: string): GradeOrNone =>
          parts.find(({ position }) => position.id === id)?.grade ?? null;
        const section = drawSection(snapshot.unitType, {
          width: 1024,
          height: 600,
          labels: true,
          states: new Map(),
        });
        const ungraded = section.marks.filter(
          (mark) => 'area' in mark && gradeOf(mark.area.positionId) === null,
        ).length;
        const svg = html(
          <SectionMarks section={section} gradeOf={gradeOf} selected={undefined} prefix="p" />,
        );
        expect(svg.match(/data-grade="none"/g)?.length ?? 0).toBe(ungraded);
        const list = html(
          <PartList words={snapshot.catalogs} parts={parts} selected={undefined} onOpen={() => undefined} />,
        );
        // What is missing to a grade: a look, or the grade itself.
        expect(list.match(/not (looked at|graded)<\/span>/g)?.length ?? 0).toBeGreaterThanOrEqual(
          parts.filter(({ grade }) => grade === null).length,
        );
      }),
      { numRuns: 15 },
    );
  }, 120_000);
});

describe('states in a grey print', () => {
  const inGrey = (markup: string) =>
    markup.replace(/(stroke|fill)="var\([^"]*\)"/g, '$1="ink"').replace(/color:[^;"]*/g, '');
  it('differ by shape for all seven, in lists and on labels', () => {
    const lines = [...GRADES, null].map(
      (grade) =>
        inGrey(html(<GradeLine grade={grade} />))
          .match(/<path[^>]*>/g)
          ?.join('') ?? '',
    );
    expect(new Set(lines).size).toBe(7);
    const label = {
      positionId: 'a',
      side: 'top',
      rank: 1,
      anchor: [0, 0],
      title: 'A',
      words: 'w',
      mustStand: false,
      x: 0,
      y: 0,
      width: 90,
      height: 38,
      leader: [
        [0, 0],
        [1, 1],
      ],
    } as const;
    const labels = [...GRADES, null].map((grade) =>
      inGrey(html(<SectionLabel label={label} grade={grade} selected={false} />)),
    );
    expect(new Set(labels).size).toBe(7);
  });

  it('tell a part that was looked at from one that was not, by dash and hatching', () => {
    const type = reportTypes()[0]!;
    const section = drawSection(type, { width: 1024, height: 600, labels: false, states: new Map() });
    const drawn = (grade: GradeOrNone) =>
      inGrey(html(<SectionMarks section={section} gradeOf={() => grade} selected={undefined} prefix="p" />));
    expect(drawn(null).match(/stroke-dasharray="4 3"/g)!.length).toBeGreaterThan(50);
    expect(drawn(2)).not.toContain('stroke-dasharray="4 3"');
  });
});

function reportTypes() {
  return fc.sample(randomJob, { numRuns: 1, seed: 7 }).map(({ unitType }) => unitType);
}
