import { notFound } from 'next/navigation';
import { shopContext } from '@/server/instance';
import { Refusal } from '@/server/refusal';
import { readLetterState } from '@/server/report/answerQuote';
import { readLetter } from '@/server/report/customerLink';
import { ownerByToken } from '@/server/report/letterCase';
import { shopToday } from '@/server/shopDay';
import { drawForLetter } from '@/ui/report/drawForLetter';
import { LetterPage } from '@/ui/report/LetterPage';

export const metadata = { robots: { index: false }, title: 'A letter from your workshop' };

type Asked = { readonly slip?: string | string[]; readonly line?: string | string[] };

interface LetterRoute {
  readonly params: Promise<{ token: string }>;
  /** What he chose on a page without programs, which asks for the slip with the sum. */
  readonly searchParams: Promise<Asked>;
}

/** What the customer sees: one report, reached by its link alone, without signing in. */
export default async function CustomerLetter({ params, searchParams }: LetterRoute) {
  const { token } = await params;
  const { slip, line = [] } = await searchParams;
  const context = shopContext();
  try {
    const owner = ownerByToken(context, token);
    const { issue, unitType } = readLetter(owner, context, undefined);
    const { document, number, previous, issuedAt, issuedBy, digest, changes } = issue;
    return (
      <LetterPage
        document={document}
        issue={{ number, issuedAt, issuedBy, digest, changes, ...(previous ? { previous } : {}) }}
        drawing={drawForLetter(document, unitType)}
        photographBase={`/letter/${token}/photographs/`}
        photographEnd=""
        pdfUrl={`/letter/${token}/pdf`}
        reply={{
          ...readLetterState(owner, context, undefined),
          action: `/letter/${token}/answer`,
          until: owner.until,
          today: shopToday(context),
          before: typeof slip === 'string' ? { slip, lines: [line].flat() } : undefined,
        }}
      />
    );
  } catch (error) {
    // A link that doesn't open is answered before, by the proxy.
    if (error instanceof Refusal) notFound();
    throw error;
  }
}
