'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { readAmount } from '@/core/planning/money';
import type { ToldPlans } from '@/core/planning/suppliers';
import { parseReading } from '@/core/quantity/parseReading';
import { type Offer, TIERS } from '@/model/offers';
import type { OfJob } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { Field, Select, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';

interface NoteOfferProps extends OfJob {
  readonly told: ToldPlans;
}

/** A price that was told on the telephone; or for which a part is made, by a drawing that is among the photographs. */
export function NoteOffer({ job, told }: NoteOfferProps) {
  const keep = useKeep(job);
  const [open, setOpen] = useState<'noted' | 'made'>();
  const [part, setPart] = useState('');
  const [supplier, setSupplier] = useState('');
  const [price, setPrice] = useState('');
  const [days, setDays] = useState('');
  const [tier, setTier] = useState<Offer['tier']>(2);
  const [drawing, setDrawing] = useState('');
  const [printed, setPrinted] = useState('');
  const [material, setMaterial] = useState('');
  const [hardness, setHardness] = useState('');
  const [trouble, setTrouble] = useState('');
  if (told.needs.length === 0) return null;
  const save = async () => {
    const need = told.needs.find((each) => each.part === part) ?? told.needs[0]!;
    const amount = readAmount(price, told.money);
    if (amount === undefined) return setTrouble(`“${price}” is no amount.`);
    const inDays = parseReading(days, { unit: 'days' });
    if (!inDays.ok || !Number.isInteger(inDays.value))
      return setTrouble(`Working days until it is here: “${days}” is no whole number.`);
    const wrong = await keep(
      {
        ...{
          what: 'offer-noted',
          supplier,
          name: need.name,
          price: amount,
          days: inDays.value,
          tier,
        },
        supplies: [{ part: need.part, qty: need.qty }],
        ...(printed.trim() === '' ? {} : { printed: printed.trim() }),
        ...(open === 'made' ? { made: { drawing, material, hardness } } : {}),
      },
      `${need.name}: offer of ${supplier} noted`,
    );
    setTrouble(wrong ?? '');
    if (wrong === undefined) setOpen(undefined);
  };
  if (!open)
    return (
      <Flex gap="4px" wrap="wrap">
        <Press kind="quiet" minHeight="36px" paddingInline="0" onClick={() => setOpen('noted')}>
          Note a price I was told
        </Press>
        <Press kind="quiet" minHeight="36px" onClick={() => setOpen('made')}>
          Have one made
        </Press>
      </Flex>
    );
  const fields = [
    { label: open === 'made' ? 'Who makes it' : 'Who offers it', value: supplier, set: setSupplier },
    { label: `Price for all, ${told.money.sign}`, value: price, set: setPrice },
    { label: 'Working days until it is here', value: days, set: setDays },
    { label: 'Number printed on it, if it bears one', value: printed, set: setPrinted },
    ...(open === 'made'
      ? [
          { label: 'Of what material', value: material, set: setMaterial },
          { label: 'How hard', value: hardness, set: setHardness },
        ]
      : []),
  ];
  return (
    <Box
      as="form"
      border="1.5px solid"
      borderColor="ink"
      padding="8px"
      marginBlock="6px"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <Flex gap="8px" wrap="wrap" align="flex-end">
        <Field label="For which part">
          {(wiring) => (
            <Select {...wiring} value={part} onChange={(event) => setPart(event.target.value)}>
              {told.needs.map((need) => (
                <option key={need.part} value={need.part}>
                  {need.qty > 1 ? `${need.qty} × ` : ''}
                  {need.name}
                </option>
              ))}
            </Select>
          )}
        </Field>
        {fields.map(({ label, value, set }) => (
          <Field key={label} label={label}>
            {(wiring) => (
              <TextInput
                {...wiring}
                width="150px"
                value={value}
                onChange={(event) => set(event.target.value)}
              />
            )}
          </Field>
        ))}
        {open === 'noted' && (
          <Field label="Of what make">
            {(wiring) => (
              <Select
                {...wiring}
                value={tier}
                onChange={(event) => setTier(Number(event.target.value) as Offer['tier'])}
              >
                {TIERS.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        )}
        {open === 'made' && (
          <Field label="By which drawing">
            {(wiring) => (
              <Select {...wiring} value={drawing} onChange={(event) => setDrawing(event.target.value)}>
                <option value="">Choose it among the photographs</option>
                {job.photographs.map(({ id, fileName }) => (
                  <option key={id} value={id}>
                    {fileName}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        )}
        <Press kind="main" type="submit" disabled={open === 'made' && drawing === ''}>
          Note the offer
        </Press>
        <Press kind="quiet" onClick={() => setOpen(undefined)}>
          Not now
        </Press>
      </Flex>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}
