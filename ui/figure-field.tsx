'use client';

import { chakra, Field } from '@chakra-ui/react';
import { useState } from 'react';
import { TextInput } from './input';
import panel from './panel.module.css';

/**
 * A figure that is typed: kept on Enter or when left, given back on Escape. `parse` says what is
 * wrong in a sentence; nothing is kept then.
 */
export function FigureField({
  label,
  unit,
  value,
  parse,
  onKeep,
  id,
}: {
  id: string;
  label: string;
  unit: string;
  value: string;
  parse: (text: string) => { ok: true; value: number } | { ok: false; message: string };
  onKeep: (value: number) => void;
}) {
  const [text, setText] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const keep = () => {
    if (text === null) return;
    const parsed = parse(text);
    if (!parsed.ok) {
      setProblem(parsed.message);
      return;
    }
    setProblem(null);
    setText(null);
    onKeep(parsed.value);
  };
  return (
    <Field.Root invalid={problem !== null}>
      <Field.Label htmlFor={id}>
        {label} <chakra.span color="ink2">{unit}</chakra.span>
      </Field.Label>
      <TextInput
        id={id}
        inputMode="decimal"
        value={text ?? value}
        aria-invalid={problem !== null}
        aria-describedby={`${id}-problem`}
        onChange={(e) => setText(e.target.value)}
        onBlur={keep}
        onKeyDown={(e) => {
          if (e.key === 'Enter') keep();
          if (e.key === 'Escape') {
            setText(null);
            setProblem(null);
          }
        }}
      />
      <span id={`${id}-problem`} role="alert" className={panel.problem}>
        {problem}
      </span>
    </Field.Root>
  );
}
