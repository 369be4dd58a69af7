'use client';

import { useState } from 'react';
import { outingsApi } from '@/sync/outings-client';
import { Button } from '@/ui/button';
import { TextInput } from '@/ui/input';
import panel from '../../ui/panel.module.css';

interface Row {
  id: string;
  name: string;
  paired: string;
  seen: string;
}

/** Phones that are let in: each can be named, and thrown out. */
export function PhoneList({ phones }: { phones: readonly Row[] }) {
  const [rows, setRows] = useState(phones);
  const [said, setSaid] = useState<{ text: string; problem: boolean } | null>(null);
  const rename = async (id: string, name: string) => {
    if (name === rows.find((r) => r.id === id)?.name) return;
    const reply = await outingsApi.namePhone(id, name);
    setSaid(reply.ok ? { text: 'Kept.', problem: false } : { text: reply.message, problem: true });
    if (reply.ok) setRows((all) => all.map((r) => (r.id === id ? { ...r, name } : r)));
  };
  const throwOut = async (id: string) => {
    const reply = await outingsApi.throwPhoneOut(id);
    if (!reply.ok) return setSaid({ text: reply.message, problem: true });
    const gone = rows.find((r) => r.id === id)!;
    setRows((all) => all.filter((r) => r.id !== id));
    setSaid({ text: `${gone.name} is thrown out. What it logged stays.`, problem: false });
  };
  return (
    <section aria-label="Phones that are let in">
      <h2>Let in</h2>
      {rows.length === 0 && <p>No phone is paired.</p>}
      {rows.map((r) => (
        <div key={r.id} className={panel.row}>
          <TextInput
            voice="words"
            aria-label={`Name of the phone ${r.name}`}
            defaultValue={r.name}
            maxLength={40}
            onBlur={(e) => void rename(r.id, e.target.value.trim())}
          />
          <span className={panel.second}>
            paired {r.paired}, last here {r.seen}
          </span>
          <Button onClick={() => void throwOut(r.id)}>Throw out {r.name}</Button>
        </div>
      ))}
      <p role={said?.problem ? 'alert' : 'status'} className={said?.problem ? panel.problem : ''}>
        {said?.text}
      </p>
    </section>
  );
}
