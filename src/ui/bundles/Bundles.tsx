'use client';

import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import type { BundlePreview } from '@/model/bundle';
import type { Actor } from '@/model/people';
import { PageHead } from '../frame/PageHead';
import { FileDrop } from '../kit/FileDrop';
import { ErrorNotice } from '../kit/Notice';
import { PressLink } from '../kit/Press';
import { sendFile } from '../kit/send';
import { TakeIn } from './TakeIn';

/** A job of another shop, or of this one’s copy, is taken in: looked through first, then hung on a peg. */
export function Bundles({ actor }: { readonly actor: Actor }) {
  const [preview, setPreview] = useState<BundlePreview>();
  const [done, setDone] = useState<number>();
  const [busy, setBusy] = useState('');
  const [trouble, setTrouble] = useState('');
  const look = async (file: File) => {
    setPreview(undefined);
    setDone(undefined);
    setTrouble('');
    setBusy(`Looking through ${file.name} …`);
    const answer = await sendFile<BundlePreview>('/api/v1/bundles', file);
    setBusy('');
    if (answer.ok) setPreview(answer.value);
    else setTrouble(answer.refusal.message);
  };
  return (
    <>
      <PageHead title="Bundles" actor={actor} back={{ href: '/', words: 'The rack' }} />
      <Box as="main" padding="16px" maxWidth="760px">
        <Box marginBottom="12px">
          A bundle is one whole job in a file: what was read, found, graded and decided, with its photographs
          and all that it was judged by. It is made at Hand over, and taken in here.
        </Box>
        <FileDrop
          label="A bundle (ZIP)"
          what="a ZIP file"
          accept={{ 'application/zip': ['.zip'], 'application/x-zip-compressed': ['.zip'] }}
          most={20_000_000_000}
          onFile={(file) => void look(file)}
        />
        {busy && <Box role="status">{busy}</Box>}
        {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
        {preview && !done && <TakeIn key={preview.bundleId} preview={preview} onDone={setDone} />}
        {done !== undefined && (
          <Box role="status" marginTop="12px">
            It hangs on peg {done}.{' '}
            <PressLink href={`/jobs/${done}`} kind="main">
              Open it
            </PressLink>
          </Box>
        )}
      </Box>
    </>
  );
}
