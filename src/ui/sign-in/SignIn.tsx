'use client';

import { Box, Flex, Grid, Heading } from '@chakra-ui/react';
import { valibotResolver } from '@hookform/resolvers/valibot';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { type Actor, SignInSchema } from '@/model/people';
import { forgetJobs } from '../job/keptJobs';
import { Field, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';
import { spoken } from '../kit/spoken';

interface SignInProps {
  readonly shop: string;
  readonly demoPeople: readonly { readonly name: string; readonly role: string }[];
  /** Printed at the door of a demonstration only, where nothing is secret. */
  readonly demoPassword?: string;
}

export function SignIn({ shop, demoPeople, demoPassword = '' }: SignInProps) {
  const { register, handleSubmit, setValue, formState } = useForm({
    resolver: spoken(valibotResolver(SignInSchema)),
    defaultValues: { name: '', password: '' },
  });
  const [refusal, setRefusal] = useState('');
  const enter = handleSubmit(async (values) => {
    setRefusal('');
    const answer = await send<{ actor: Actor }>('POST', '/api/v1/session', values);
    if (answer.ok) await forgetJobs();
    if (!answer.ok) return setRefusal(answer.refusal.message);
    // A full load, so that nothing rendered for nobody stays in the client's memory.
    const home = answer.value.actor.role === 'admin' ? '/people' : '/';
    window.location.assign(window.location.pathname === '/sign-in' ? home : window.location.href);
  });
  return (
    <Grid as="main" templateColumns={{ base: '1fr', md: '5fr 6fr' }} minHeight="100dvh">
      <Flex
        bg="bar"
        color="onBlue"
        direction="column"
        justify="space-between"
        padding={{ base: '24px', md: '48px' }}
        minHeight={{ base: '120px', md: 'auto' }}
      >
        <Box>
          <Heading as="h1" fontSize="34px" lineHeight="40px" fontStretch="87.5%">
            Stereotome
          </Heading>
          <Box color="brass" marginTop="4px">
            {shop}
          </Box>
        </Box>
        <ToothRow />
      </Flex>
      <Box padding={{ base: '24px', md: '48px' }} maxWidth="560px">
        <Heading as="h2">Sign in</Heading>
        <Box as="form" onSubmit={enter} marginTop="16px" maxWidth="360px">
          <Field label="Name" error={formState.errors.name?.message}>
            {(wiring) => <TextInput {...wiring} {...register('name')} autoComplete="username" autoFocus />}
          </Field>
          <Field label="Password" error={formState.errors.password?.message}>
            {(wiring) => (
              <TextInput
                {...wiring}
                {...register('password')}
                type="password"
                autoComplete="current-password"
              />
            )}
          </Field>
          {refusal && <ErrorNotice>{refusal}</ErrorNotice>}
          <Press type="submit" kind="main" size="bench" disabled={formState.isSubmitting} width="100%">
            {formState.isSubmitting ? 'Looking you up …' : 'Sign in'}
          </Press>
        </Box>
        {demoPeople.length > 0 && (
          <Box marginTop="32px" borderTop="1px solid" borderColor="rule" paddingTop="12px">
            <Heading as="h3" fontSize="15px" lineHeight="20px">
              Demonstration: everybody here is made up. Choose who you are.
            </Heading>
            <Flex wrap="wrap" gap="8px" marginTop="8px">
              {demoPeople.map(({ name, role }) => (
                <Press
                  key={name}
                  onClick={() => {
                    setValue('name', name);
                    setValue('password', demoPassword);
                    void enter();
                  }}
                >
                  {name}
                  <Box as="span" fontWeight={400} color="second">
                    {role}
                  </Box>
                </Press>
              ))}
            </Flex>
          </Box>
        )}
      </Box>
    </Grid>
  );
}

/** A rack's flank along the foot of the page: the seven shapes a tooth can have here. */
function ToothRow() {
  return (
    <Box display={{ base: 'none', md: 'block' }} aria-hidden="true" color="onBlueSecond">
      <svg width="100%" viewBox="0 0 360 70" fill="none" stroke="currentColor" strokeWidth="1.5">
        <path d="M0 60H12C20 44 22 24 25 8H43C46 24 48 44 56 60H72C80 44 82 24 85 8H103C106 24 108 44 116 60H132C140 44 142 24 145 8H163C166 24 168 44 176 60H192C200 44 202 24 205 8H223C226 24 228 44 236 60H252C260 44 262 24 265 8H283C286 24 288 44 296 60H312C320 44 322 24 325 8H343C346 24 348 44 356 60" />
        <path d="M0 34H360" strokeDasharray="16 3 3 3" strokeWidth="0.8" />
      </svg>
    </Box>
  );
}
