'use client';

import { chakra } from '@chakra-ui/react';
import type { ReactNode } from 'react';

/** A ruled table: heads in words, rows divided by thin lines. */
export function Table({
  heads,
  label,
  children,
}: {
  readonly heads: readonly string[];
  readonly label?: string;
  readonly children: ReactNode;
}) {
  return (
    <chakra.table
      width="100%"
      {...(label ? { 'aria-label': label } : {})}
      css={{
        '& td': { padding: '6px 12px 6px 0', verticalAlign: 'baseline' },
        '& tbody tr': { borderBottom: '1px solid var(--chakra-colors-rule)' },
      }}
    >
      <thead>
        <tr>
          {heads.map((head) => (
            <chakra.th
              key={head}
              textAlign="left"
              fontWeight={600}
              padding="8px 12px 8px 0"
              borderBottom="2px solid"
              borderColor="ink"
            >
              {head}
            </chakra.th>
          ))}
        </tr>
      </thead>
      <tbody>{children}</tbody>
    </chakra.table>
  );
}
