'use client';

import { Box, chakra } from '@chakra-ui/react';
import { FileText } from 'lucide-react';
import { useState } from 'react';
import { type Accept, useDropzone } from 'react-dropzone';
import { Field } from './Field';
import { ErrorNotice } from './Notice';
import { Press } from './Press';

interface FileDropProps {
  readonly label: string;
  /** What may be dropped here, in words: a JSON file. */
  readonly what: string;
  readonly accept: Accept;
  readonly onFile: (file: File) => void;
  /** Larger files are refused, bytes. */
  readonly most?: number;
}

const MOST_BYTES = 5_000_000;

/** One file: dropped here, or chosen. */
export function FileDrop({ label, what, accept, onFile, most = MOST_BYTES }: FileDropProps) {
  const [name, setName] = useState('');
  const [trouble, setTrouble] = useState('');
  const { getRootProps, getInputProps, isDragActive, open } = useDropzone({
    noClick: true,
    noKeyboard: true,
    accept,
    multiple: false,
    maxSize: most,
    onDrop: ([file], refused) => {
      const [first] = refused;
      if (first)
        setTrouble(
          `“${first.file.name}” is ${first.file.size > most ? `larger than ${Math.round(most / 1_000_000)} MB` : `not ${what}`}. Nothing was taken.`,
        );
      if (!file) return;
      setTrouble('');
      setName(file.name);
      onFile(file);
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
            flexWrap="wrap"
            gap="10px"
            padding="8px"
            border="1.5px dashed"
            borderColor={isDragActive ? 'ink' : 'rule'}
            bg={isDragActive ? 'band' : 'transparent'}
          >
            <input {...getInputProps({ 'aria-label': label })} {...wiring} id={id} />
            <Press onClick={open}>
              <FileText size={18} aria-hidden /> Choose {what}
            </Press>
            <Box as="span" color="second">
              {name ? `${name}; another one replaces it` : 'or drop it here'}
            </Box>
          </chakra.div>
          {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
        </>
      )}
    </Field>
  );
}
