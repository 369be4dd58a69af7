'use client';

import { useState } from 'react';
import { Button } from './button';
import { Disclosure } from './disclosure';
import { TextInput } from './input';
import panel from './panel.module.css';

interface Row {
  seq: number;
  name: string;
  message: string;
  mend: { key: string; name: string; value: string } | null;
}

/**
 * What the book would not take, each with its sentence: mended and sent again, or thrown away by hand.
 * Nothing leaves this list by itself.
 */
export function NotTaken({
  rows,
  onSendAgain,
  onThrowAway,
}: {
  rows: readonly Row[];
  onSendAgain: (seq: number, change?: { key: string; text: string }) => void;
  onThrowAway: (seq: number) => void;
}) {
  if (rows.length === 0) return null;
  return (
    <div className={panel.notTaken} role="alert">
      <Disclosure title={`${rows.length} not taken by the book`}>
        <ul aria-label="Not taken">
          {rows.map((row) => (
            <NotTakenRow
              key={row.seq}
              row={row}
              onSendAgain={onSendAgain}
              onThrowAway={onThrowAway}
            />
          ))}
        </ul>
      </Disclosure>
    </div>
  );
}

function NotTakenRow({
  row,
  onSendAgain,
  onThrowAway,
}: {
  row: Row;
  onSendAgain: (seq: number, change?: { key: string; text: string }) => void;
  onThrowAway: (seq: number) => void;
}) {
  const [text, setText] = useState(row.mend?.value ?? '');
  const send = () =>
    row.mend ? onSendAgain(row.seq, { key: row.mend.key, text }) : onSendAgain(row.seq);
  return (
    <li>
      <strong>{row.name}.</strong> {row.message}
      {row.mend && (
        <label className={panel.stack}>
          {row.mend.name}
          <TextInput
            voice="words"
            value={text}
            onChange={(e) => setText(e.target.value)}
            onKeyDown={(e) => e.key === 'Enter' && send()}
          />
        </label>
      )}
      <div className={panel.row}>
        <Button onClick={send}>Send it again</Button>
        <Button onClick={() => onThrowAway(row.seq)}>Throw it away</Button>
      </div>
    </li>
  );
}
