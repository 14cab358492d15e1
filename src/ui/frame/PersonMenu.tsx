'use client';

import { Box, Flex } from '@chakra-ui/react';
import { Moon, Ruler, Sun, UserRound } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useTheme } from 'next-themes';
import { useEffect, useState } from 'react';
import type { Actor } from '@/model/people';
import { mayDo } from '@/model/rights';
import { forgetJobs } from '../job/keptJobs';
import { Field, Select, TextInput } from '../kit/Field';
import { useReadsIn } from '../kit/figures';
import { ErrorNotice } from '../kit/Notice';
import { Pop } from '../kit/Pop';
import { Press, PressLink } from '../kit/Press';
import { send } from '../kit/send';

/** Who is signed in, the quick change of person by PIN, the shift, and the way out. */
export function PersonMenu({ actor, small = false }: { readonly actor: Actor; readonly small?: boolean }) {
  const { resolvedTheme, setTheme } = useTheme();
  const toggleShift = () => setTheme(resolvedTheme === 'dark' ? 'light' : 'dark');
  const router = useRouter();
  const readsIn = useReadsIn();
  const readOtherwise = async () => {
    await send('PUT', '/api/v1/session/reads-in', { readsIn: readsIn === 'metric' ? 'inch' : 'metric' });
    router.refresh();
  };
  const leave = async () => {
    await send('DELETE', '/api/v1/session');
    await forgetJobs();
    window.location.assign('/sign-in');
  };
  return (
    <Pop
      label={`${actor.name}: change, shift, pages`}
      width="300px"
      trigger={
        <Press kind="onBlue" border="none" paddingInline="8px" aria-label={`${actor.name}: change, sign out`}>
          <UserRound size={20} aria-hidden />
          <Box
            as="span"
            display={small ? { base: 'none', xl: 'block' } : { base: 'none', md: 'block' }}
            maxWidth="150px"
            overflow="hidden"
            textOverflow="ellipsis"
            whiteSpace="nowrap"
          >
            {actor.name}
          </Box>
          <Box
            as="span"
            display={small ? { base: 'none', sm: 'block', xl: 'none' } : { base: 'block', md: 'none' }}
          >
            {initialsOf(actor.name)}
          </Box>
        </Press>
      }
    >
      <ChangePerson />
      <Flex gap="8px" marginTop="12px" borderTop="1px solid" borderColor="rule" paddingTop="12px">
        <PressLink href="/gauges" flex={1}>
          Gauges
        </PressLink>
        <PressLink href="/limits" flex={1}>
          Limits
        </PressLink>
        {actor.role === 'admin' && (
          <PressLink href="/people" flex={1}>
            People
          </PressLink>
        )}
      </Flex>
      <Flex gap="8px" marginTop="8px" wrap="wrap">
        <PressLink href="/waiting" flex="1 1 120px">
          What waits
        </PressLink>
        <PressLink href="/prices" flex="1 1 120px">
          Prices, shelf
        </PressLink>
        <PressLink href="/ways" flex="1 1 120px">
          How we do it
        </PressLink>
        <PressLink href="/unit-types" flex="1 1 120px">
          Unit types
        </PressLink>
        {mayDo(actor.role, 'quote.send') && (
          <PressLink href="/outbox" flex="1 1 120px">
            Outbox
          </PressLink>
        )}
        {mayDo(actor.role, 'bundle.move') && (
          <PressLink href="/bundles" flex="1 1 120px">
            Bundles
          </PressLink>
        )}
        {mayDo(actor.role, 'rules.keep') && (
          <PressLink href="/grade-rules" flex="1 1 120px">
            Rules
          </PressLink>
        )}
        {mayDo(actor.role, 'network.keep') && (
          <PressLink href="/cause-network" flex="1 1 120px">
            Causes
          </PressLink>
        )}
        {mayDo(actor.role, 'grade.second') && (
          <PressLink href="/second-look" flex="1 1 120px">
            Second look
          </PressLink>
        )}
        {mayDo(actor.role, 'train.take') && (
          <PressLink href="/training" flex="1 1 120px">
            Learn to grade
          </PressLink>
        )}
      </Flex>
      <Press marginTop="12px" width="100%" onClick={() => void readOtherwise()}>
        <Ruler size={16} aria-hidden />
        {readsIn === 'metric' ? 'Read in inches' : 'Read in millimetres'}
      </Press>
      <Flex gap="8px" marginTop="12px">
        <Press onClick={toggleShift} flex={1}>
          <Sun size={16} aria-hidden />
          <Moon size={16} aria-hidden />
          Other shift
        </Press>
        <Press onClick={leave} flex={1}>
          Sign out
        </Press>
      </Flex>
    </Pop>
  );
}

/** Tovik Harn: TH. */
const initialsOf = (name: string): string =>
  name
    .split(/[\s-]+/)
    .map((word) => word[0] ?? '')
    .join('')
    .slice(0, 2)
    .toUpperCase();

function ChangePerson() {
  const [colleagues, setColleagues] = useState<readonly { id: string; name: string }[]>([]);
  const [personId, setPersonId] = useState('');
  const [pin, setPin] = useState('');
  const [refusal, setRefusal] = useState('');
  useEffect(() => {
    void send<{ colleagues: { id: string; name: string }[] }>('GET', '/api/v1/session/switch').then(
      (answer) => {
        if (!answer.ok) return;
        setColleagues(answer.value.colleagues);
        setPersonId(answer.value.colleagues[0]?.id ?? '');
      },
    );
  }, []);
  if (colleagues.length === 0) return null;
  const change = async () => {
    const answer = await send('POST', '/api/v1/session/switch', { personId, pin });
    if (answer.ok) await forgetJobs();
    if (answer.ok) window.location.reload();
    else setRefusal(answer.refusal.message);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void change();
      }}
    >
      <Field label="Hand over to">
        {(wiring) => (
          <Select {...wiring} value={personId} onChange={(event) => setPersonId(event.target.value)}>
            {colleagues.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Select>
        )}
      </Field>
      <Field label="PIN">
        {(wiring) => (
          <TextInput
            {...wiring}
            value={pin}
            onChange={(event) => setPin(event.target.value)}
            type="password"
            inputMode="numeric"
            autoComplete="off"
          />
        )}
      </Field>
      {refusal && <ErrorNotice>{refusal}</ErrorNotice>}
      <Press type="submit" kind="main" width="100%">
        Change person
      </Press>
    </form>
  );
}
