'use client';

import { Box, chakra } from '@chakra-ui/react';
import { FileText } from 'lucide-react';
import { useState } from 'react';
import { type Accept, useDropzone } from 'react-dropzone';
import { Field } from './Field';
import { ErrorNotice } from './Notice';

interface FileDropProps {
  readonly label: string;
  /** What may be dropped here, in words: a JSON file. */
  readonly what: string;
  readonly accept: Accept;
  readonly onText: (text: string) => void;
}

const MOST_BYTES = 5_000_000;

/** One file of text: dropped here, or chosen. */
export function FileDrop({ label, what, accept, onText }: FileDropProps) {
  const [name, setName] = useState('');
  const [trouble, setTrouble] = useState('');
  const { getRootProps, getInputProps, isDragActive } = useDropzone({
    accept,
    multiple: false,
    maxSize: MOST_BYTES,
    onDrop: ([file], refused) => {
      const [first] = refused;
      if (first)
        setTrouble(
          `“${first.file.name}” is ${first.file.size > MOST_BYTES ? 'larger than 5 MB' : `not ${what}`}. Nothing was taken.`,
        );
      if (!file) return;
      setTrouble('');
      setName(file.name);
      void file.text().then(onText);
    },
  });
  return (
    <Field label={label}>
      {({ id, ...wiring }) => (
        <>
          <chakra.div
            {...getRootProps()}
            display="flex"
            alignItems="center"
            gap="10px"
            minHeight="56px"
            paddingInline="16px"
            cursor="pointer"
            border="1.5px dashed"
            borderColor={isDragActive ? 'ink' : 'rule'}
            bg={isDragActive ? 'band' : 'transparent'}
          >
            <input {...getInputProps()} {...wiring} id={id} />
            <FileText size={20} aria-hidden style={{ flexShrink: 0 }} />
            <Box as="span">
              {name ? `${name}; another one replaces it` : `Drop ${what} here, or press to choose`}
            </Box>
          </chakra.div>
          {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
        </>
      )}
    </Field>
  );
}
