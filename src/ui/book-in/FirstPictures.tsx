'use client';

import { Box, chakra, Flex } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import { Press } from '../kit/Press';
import { PicturePick } from '../photographs/PicturePick';

/** Photographs of the unit as it came; they wait in the form until the unit hangs on the rack, then go their usual way. */
export function FirstPictures({
  pictures,
  onChange,
}: {
  readonly pictures: readonly File[];
  readonly onChange: (change: (pictures: readonly File[]) => readonly File[]) => void;
}) {
  return (
    <Box role="group" aria-label="Photographs as it came" marginBottom="12px">
      <Box marginBottom="4px">Photographs of the unit as it came, before anything is washed</Box>
      <PicturePick
        compact
        onPicture={(file) => {
          onChange((list) => [...list, file]);
          return undefined;
        }}
      />
      <Flex gap="8px" wrap="wrap" marginTop="8px">
        {pictures.map((file) => (
          <Box key={`${file.name} ${file.size} ${file.lastModified}`} width="150px">
            <Preview file={file} />
            <Press kind="quiet" onClick={() => onChange((list) => list.filter((each) => each !== file))}>
              Leave it out
            </Press>
          </Box>
        ))}
      </Flex>
    </Box>
  );
}

function Preview({ file }: { readonly file: File }) {
  const [url, setUrl] = useState<string>();
  useEffect(() => {
    const made = URL.createObjectURL(file);
    setUrl(made);
    return () => URL.revokeObjectURL(made);
  }, [file]);
  return url ? (
    <chakra.img
      src={url}
      alt={file.name}
      width="100%"
      height="100px"
      objectFit="cover"
      border="1.5px solid"
    />
  ) : null;
}
