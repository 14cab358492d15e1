'use client';

import { Box, chakra, Flex, Grid, Heading } from '@chakra-ui/react';
import { valibotResolver } from '@hookform/resolvers/valibot';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { type Actor, type NewPerson, NewPersonSchema, type Person, ROLES } from '@/model/people';
import { PersonMenu } from '../frame/PersonMenu';
import { Field, Select, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';
import { spoken } from '../kit/spoken';
import { type ShopZone, TimeZone } from './TimeZone';

/** Who works here, in which role. For the administrator alone. */
export function People({
  people,
  zone,
  actor,
}: {
  readonly people: readonly Person[];
  readonly zone: ShopZone;
  readonly actor: Actor;
}) {
  const router = useRouter();
  const [refusal, setRefusal] = useState('');
  const { register, handleSubmit, reset, formState } = useForm<NewPerson>({
    resolver: spoken(valibotResolver(NewPersonSchema)),
    defaultValues: { name: '', role: 'inspector', password: '' },
  });
  const done = (answer: Awaited<ReturnType<typeof send>>) => {
    setRefusal(answer.ok ? '' : answer.refusal.message);
    if (answer.ok) router.refresh();
    return answer.ok;
  };
  const add = handleSubmit(async (person) => {
    if (done(await send('POST', '/api/v1/people', person))) reset();
  });
  return (
    <Box>
      <Flex as="header" bg="bar" color="onBlue" padding="12px 16px" align="center" justify="space-between">
        <Heading as="h1">People of the shop</Heading>
        <PersonMenu actor={actor} />
      </Flex>
      <Grid
        as="main"
        templateColumns={{ base: '1fr', lg: '3fr 2fr' }}
        gap="32px"
        padding="16px"
        maxWidth="1200px"
      >
        <chakra.table width="100%" alignSelf="start">
          <thead>
            <tr>
              {['Name', 'Role', 'PIN', ''].map((head) => (
                <chakra.th
                  key={head}
                  textAlign="left"
                  paddingBlock="8px"
                  borderBottom="2px solid"
                  borderColor="ink"
                >
                  {head}
                </chakra.th>
              ))}
            </tr>
          </thead>
          <tbody>
            {people.map((person) => (
              <chakra.tr
                key={person.id}
                borderBottom="1px solid"
                borderColor="rule"
                color={person.active ? undefined : 'second'}
              >
                <td>{person.name}</td>
                <td>{person.role}</td>
                <td>{person.hasPin ? 'set' : 'none'}</td>
                <td>
                  {person.id !== actor.id && (
                    <Press
                      size="row"
                      onClick={() =>
                        void send('PATCH', '/api/v1/people', {
                          personId: person.id,
                          active: !person.active,
                        }).then(done)
                      }
                    >
                      {person.active ? 'Close the door' : 'Let in again'}
                    </Press>
                  )}
                </td>
              </chakra.tr>
            ))}
          </tbody>
        </chakra.table>
        <Box as="form" onSubmit={add}>
          <Heading as="h2" fontSize="16px" marginBottom="8px">
            Somebody new
          </Heading>
          <Field label="Name" error={formState.errors.name?.message}>
            {(wiring) => <TextInput {...wiring} {...register('name')} autoComplete="off" />}
          </Field>
          <Field label="Role">
            {(wiring) => (
              <Select {...wiring} {...register('role')}>
                {ROLES.map((role) => (
                  <option key={role}>{role}</option>
                ))}
              </Select>
            )}
          </Field>
          <Field label="First password" error={formState.errors.password?.message}>
            {(wiring) => (
              <TextInput {...wiring} {...register('password')} type="password" autoComplete="new-password" />
            )}
          </Field>
          <Field
            label="PIN for a shared tablet (4 to 8 figures, or empty)"
            error={formState.errors.pin?.message}
          >
            {(wiring) => (
              <TextInput
                {...wiring}
                {...register('pin', { setValueAs: (text: string) => text || undefined })}
                inputMode="numeric"
                autoComplete="off"
              />
            )}
          </Field>
          {refusal && <ErrorNotice>{refusal}</ErrorNotice>}
          <Press type="submit" kind="main" size="bench">
            Add
          </Press>
        </Box>
      </Grid>
      <TimeZone zone={zone} />
    </Box>
  );
}
