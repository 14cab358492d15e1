'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { tellMoney } from '@/core/planning/money';
import type { Money } from '@/model/money';
import type { ListTaken } from '@/model/offers';
import type { Actor } from '@/model/people';
import { mayDo } from '@/model/rights';
import { PageHead } from '../frame/PageHead';
import { longDate } from '../kit/dates';
import { Field, TextArea, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';
import { Table } from '../kit/Table';

interface PricesPageProps {
  readonly money: Money;
  readonly lists: readonly {
    readonly id: string;
    readonly supplier: string;
    /** Its title. */
    readonly unit: string;
    readonly by: string;
    readonly at: string;
    readonly lines: number;
  }[];
  readonly shelf: readonly {
    readonly id: string;
    readonly unit: string;
    readonly name: string;
    readonly grade: number;
    readonly price: number;
    readonly fromPeg: number;
    readonly note: string;
  }[];
  readonly actor: Actor;
}

/** Suppliers' price lists, and the sound parts that lie on the shelf. */
export function PricesPage({ money, lists, shelf, actor }: PricesPageProps) {
  return (
    <Box minHeight="100dvh">
      <PageHead title="Prices and shelf" actor={actor} back={{ href: '/waiting', words: 'What waits' }} />
      <Box padding="16px" maxWidth="1080px">
        <Heading as="h2">Price lists</Heading>
        {lists.length === 0 ? (
          <Box color="second">No supplier’s list was read in yet.</Box>
        ) : (
          <Table heads={['Supplier', 'For', 'Lines', 'Read in']} label="Price lists">
            {lists.map(({ id, supplier, unit, lines, by, at }) => (
              <tr key={id}>
                <td>{supplier}</td>
                <td>{unit}</td>
                <td>{lines}</td>
                <td>
                  {longDate(at)}, {by}
                </td>
              </tr>
            ))}
          </Table>
        )}
        {mayDo(actor.role, 'prices.keep') && <ReadList money={money} />}
        <Heading as="h2" marginTop="24px">
          On the shelf
        </Heading>
        {shelf.length === 0 ? (
          <Box color="second">
            Nothing lies there. Sound parts of units that are given up are put there from their tickets.
          </Box>
        ) : (
          <Table heads={['Part', 'For', 'Grade', 'Price', 'From']} label="Shelf">
            {shelf.map(({ id, name, unit, grade, price, fromPeg, note }) => (
              <tr key={id}>
                <td>
                  {name}
                  {note && `: ${note}`}
                </td>
                <td>{unit}</td>
                <td>{grade}</td>
                <td>{tellMoney(price, money)}</td>
                <td>peg {fromPeg}</td>
              </tr>
            ))}
          </Table>
        )}
      </Box>
    </Box>
  );
}

const EXAMPLE = 'code;name;unit;supplies;price;currency;days;make;stock;identity;printed';

/** A list as a table, pasted or from a file; what makes no sense is shown line by line, and stays in the field. */
function ReadList({ money }: { readonly money: Money }) {
  const router = useRouter();
  const [supplier, setSupplier] = useState('');
  const [text, setText] = useState('');
  const [told, setTold] = useState('');
  const [leftOut, setLeftOut] = useState<ListTaken['faults']>([]);
  const [trouble, setTrouble] = useState('');
  const read = async () => {
    const answer = await send<ListTaken>('POST', '/api/v1/price-lists', {
      supplier,
      text,
    });
    setTrouble(answer.ok ? '' : answer.refusal.message);
    if (!answer.ok) return setTold('');
    const { lines, unitTypes, faults } = answer.value;
    setTold(
      `${lines} ${lines === 1 ? 'line' : 'lines'} for ${unitTypes} unit ${unitTypes === 1 ? 'type is' : 'types are'} taken.`,
    );
    setLeftOut(faults);
    // What was left out stays, to be mended: its list takes the place of this one when it is read in whole.
    if (faults.length === 0) setText('');
    router.refresh();
  };
  return (
    <Box
      as="form"
      marginTop="12px"
      onSubmit={(event) => {
        event.preventDefault();
        void read();
      }}
    >
      <Flex gap="12px" wrap="wrap" align="flex-end">
        <Field label="Supplier">
          {(wiring) => (
            <TextInput
              {...wiring}
              value={supplier}
              maxLength={60}
              onChange={(event) => setSupplier(event.target.value)}
            />
          )}
        </Field>
        <Field label="From a file (CSV)">
          {(wiring) => (
            <input
              {...wiring}
              type="file"
              accept=".csv,text/csv,text/plain"
              onChange={async (event) => setText((await event.target.files?.[0]?.text()) ?? '')}
            />
          )}
        </Field>
      </Flex>
      <Field
        label="Or paste it"
        hint={`Columns: ${EXAMPLE}. Unit and parts by their names, a kit as “2 x Ring bolts + Pinion nut”; days are working days; make 1 to 3; identity as “pinion teeth=11, ring teeth=41”; printed is the number on the part; prices in ${money.sign}.`}
      >
        {(wiring) => (
          <TextArea
            {...wiring}
            rows={6}
            value={text}
            placeholder={EXAMPLE}
            onChange={(event) => setText(event.target.value)}
          />
        )}
      </Field>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Press type="submit" kind="main" disabled={supplier.trim() === '' || text.trim() === ''}>
        Read the list in
      </Press>
      <Box role="status" color="second" minHeight="22px">
        {told}
      </Box>
      {leftOut.length > 0 && (
        <ErrorNotice>
          {leftOut.length === 1 ? 'One line was' : `${leftOut.length} lines were`} left out:
          <Box as="ul" paddingLeft="20px" listStyleType="disc">
            {leftOut.map(({ path, message }) => (
              <li key={path}>
                {path}: {message}
              </li>
            ))}
          </Box>
        </ErrorNotice>
      )}
    </Box>
  );
}
