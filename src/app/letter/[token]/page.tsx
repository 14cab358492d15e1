import { notFound } from 'next/navigation';
import { shopContext } from '@/server/instance';
import { Refusal } from '@/server/refusal';
import { readReportByToken } from '@/server/report/customerLink';
import { LetterPage } from '@/ui/report/LetterPage';

export const metadata = { robots: { index: false } };

/** What the customer sees: one report, reached by its link alone, without signing in. */
export default async function CustomerLetter({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  try {
    const { document, number, issuedAt, issuedBy, digest, changes } = readReportByToken(shopContext(), token);
    return (
      <LetterPage
        document={document}
        issue={{ number, issuedAt, issuedBy, digest, changes }}
        photographBase={`/letter/${token}/photographs/`}
        photographEnd=""
        pdfUrl={`/letter/${token}/pdf`}
      />
    );
  } catch (error) {
    // A link that has ended is answered before, by the proxy; what leads nowhere answers as that.
    if (error instanceof Refusal) notFound();
    throw error;
  }
}
