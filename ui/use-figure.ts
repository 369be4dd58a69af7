'use client';

import { useState, type ChangeEvent, type KeyboardEvent } from 'react';

type Parsed<T> = { ok: true; value: T } | { ok: false; message: string };

/** A figure being typed: kept on Enter or when left, given back on Escape; what is wrong, in a sentence. */
export function useFigure<T>(
  value: string,
  parse: (text: string) => Parsed<T>,
  onKeep: (value: T) => void,
) {
  const [text, setText] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const leave = () => {
    setText(null);
    setProblem(null);
  };
  const keep = () => {
    if (text === null) return;
    const parsed = parse(text);
    if (!parsed.ok) {
      setProblem(parsed.message);
      return;
    }
    leave();
    onKeep(parsed.value);
  };
  return {
    problem,
    input: {
      value: text ?? value,
      'aria-invalid': problem !== null,
      onChange: (e: ChangeEvent<HTMLInputElement>) => setText(e.target.value),
      onBlur: keep,
      onKeyDown: (e: KeyboardEvent) => {
        if (e.key === 'Enter') keep();
        if (e.key === 'Escape') leave();
      },
    },
  };
}
