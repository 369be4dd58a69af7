'use client';

import { chakra } from '@chakra-ui/react';

/** A few figures in rows and columns, read and not sorted. */
export const PlainTable = chakra('table', {
  base: {
    width: '100%',
    borderCollapse: 'collapse',
    margin: '8px 0',
    '& caption': { textAlign: 'left', fontWeight: 700 },
    '& th, & td': {
      textAlign: 'left',
      verticalAlign: 'top',
      fontWeight: 400,
      padding: '3px 6px 3px 0',
      borderBottom: '1px solid',
      borderColor: 'rule',
    },
    '& thead th': { fontWeight: 700, borderColor: 'ink' },
  },
  variants: {
    voice: {
      plain: {},
      small: { fontSize: '13px' },
    },
  },
  defaultVariants: { voice: 'plain' },
});
