import { Box, chakra } from '@chakra-ui/react';
import type { QuoteAnswer } from '@/model/quote';
import { longInstant } from '../kit/dates';
import { LetterPart } from './LetterPart';
import { NameField } from './ReplySlip';

interface LetterQuestionsProps {
  readonly questions: readonly QuoteAnswer[];
  readonly action: string;
}

/** A question goes to the shop and stands here; its answer comes under it. */
export function LetterQuestions({ questions, action }: LetterQuestionsProps) {
  return (
    <LetterPart title="A question first?" label="Questions">
      {questions.map(({ id, name, question, at, reply, repliedBy, repliedAt }) => (
        <Box key={id} borderLeft="4px solid" borderColor="metal" paddingLeft="12px" marginBlock="8px">
          <Box>
            {name} asked, {longInstant(at)}: {question}
          </Box>
          <Box fontWeight={reply ? 650 : 400} color={reply ? undefined : 'second'}>
            {reply ? `${repliedBy}, ${longInstant(repliedAt!)}: ${reply}` : 'We have not replied yet.'}
          </Box>
        </Box>
      ))}
      <form method="post" action={action} className="not-on-paper">
        <chakra.label display="block" marginBlock="8px">
          Your question
          <chakra.textarea
            name="question"
            required
            rows={2}
            maxLength={600}
            display="block"
            width="100%"
            padding="8px"
            border="1.5px solid"
            borderColor="ink"
            bg="field"
          />
        </chakra.label>
        <NameField label="Your name, for the question" />
        <chakra.button
          type="submit"
          minHeight="44px"
          paddingInline="16px"
          border="1.5px solid"
          borderColor="ink"
        >
          Ask
        </chakra.button>
      </form>
    </LetterPart>
  );
}
