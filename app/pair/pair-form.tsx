'use client';

import { useState } from 'react';
import { object, string } from 'yup';
import { outingsApi } from '@/sync/outings-client';
import { Button } from '@/ui/button';
import { FormText, useSchemaForm } from '@/ui/schema-form';
import { someWords } from '@/words/form-schemas';
import panel from '../../ui/panel.module.css';

/** A code has so many figures; twelve while somebody guesses at it. */
const FIGURES = [8, 12];
const PAIRING = object({
  code: string()
    .default('')
    .test(
      'code',
      ({ value }) =>
        `The code is "${value}"; it has eight or twelve figures, as the computer shows them.`,
      (text) => FIGURES.includes((text ?? '').replace(/\D/g, '').length),
    ),
  name: someWords('The name', 40, 'Give the phone a name that you know it by.'),
});

/** The code that the computer shows, and a name to know the phone by. */
export function PairForm() {
  const form = useSchemaForm(PAIRING, { code: '', name: 'My phone' });
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const send = async (told: { code: string; name: string }) => {
    setBusy(true);
    const reply = await outingsApi.pair(told);
    setBusy(false);
    if (reply.ok) window.location.assign('/outing');
    else setProblem(reply.message);
  };
  return (
    <form className={panel.stack} onSubmit={(e) => void form.handleSubmit(send)(e)}>
      <FormText
        form={form}
        name="code"
        label="Code on the computer"
        inputMode="decimal"
        focused
        maxLength={16}
        placeholder="1234 5678"
      />
      <FormText form={form} name="name" label="Name of this phone" maxLength={40} />
      {problem && (
        <p className={panel.problem} role="alert">
          {problem}
        </p>
      )}
      <Button voice="solid" type="submit" disabled={busy}>
        {busy ? 'Pairing' : 'Pair'}
      </Button>
      <p className={panel.second}>
        The code stands in the window in which the program was started, and under Phones on the
        computer. It works once, within ten minutes.
      </p>
    </form>
  );
}
