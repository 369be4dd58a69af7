'use client';

import { chakra, Field } from '@chakra-ui/react';
import { TextInput } from './input';
import { useFigure } from './use-figure';
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
  const { problem, input } = useFigure(value, parse, onKeep);
  return (
    <Field.Root invalid={problem !== null}>
      <Field.Label htmlFor={id}>
        {label} <chakra.span color="ink2">{unit}</chakra.span>
      </Field.Label>
      <TextInput id={id} inputMode="decimal" {...input} aria-describedby={`${id}-problem`} />
      <span id={`${id}-problem`} role="alert" className={panel.problem}>
        {problem}
      </span>
    </Field.Root>
  );
}
