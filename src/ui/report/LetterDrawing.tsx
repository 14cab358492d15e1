import { Box } from '@chakra-ui/react';
import type { MadeDrawing } from './drawForLetter';

/** The unit cut open, as it goes out with a letter. */
export function LetterDrawing({ drawing: { svg, notDrawn } }: { readonly drawing: MadeDrawing }) {
  return (
    <Box as="figure" margin="0" data-testid="letter-drawing">
      {/* biome-ignore lint/security/noDangerouslySetInnerHtml: drawn by our own core, its words escaped there */}
      <div dangerouslySetInnerHTML={{ __html: svg }} />
      <Box as="figcaption" fontSize="13px" color="second">
        Your unit cut open. Blue is what is worn or broken.
        {notDrawn.length > 0 && ` Not drawn: ${notDrawn.join(', ')}.`}
      </Box>
    </Box>
  );
}
