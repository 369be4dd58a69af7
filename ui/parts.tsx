'use client';

import { chakra, type HTMLChakraProps } from '@chakra-ui/react';
import { useState, type ReactNode } from 'react';

/** Chakra's button in our two voices: `solid` for the one thing to do next, `line` for the rest. */
export function Button({
  voice = 'line',
  ...props
}: HTMLChakraProps<'button'> & { voice?: 'solid' | 'line' }) {
  return <chakra.button type="button" className={`do ${voice}`} {...props} />;
}

/** A choice of one among few, as pressed cells. */
export function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: T;
  options: readonly (readonly [value: T, word: string])[];
  onChange: (value: T) => void;
}) {
  return (
    <div role="radiogroup" aria-label={label} className="choice">
      {options.map(([v, word]) => (
        <button
          key={v}
          type="button"
          role="radio"
          aria-checked={v === value}
          className={v === value ? 'chosen' : ''}
          onClick={() => onChange(v)}
        >
          {word}
        </button>
      ))}
    </div>
  );
}

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
    <div className="figure-field">
      <label htmlFor={id}>
        {label} <span className="unit">{unit}</span>
      </label>
      <chakra.input
        id={id}

        className="figure-input"
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
      <span id={`${id}-problem`} role="alert" className="problem">
        {problem}
      </span>
    </div>
  );
}

/** A name and its figure on one line. */
export function DescriptionRow({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div className="fact">
      <dt>{name}</dt>
      <dd>{children}</dd>
    </div>
  );
}

/** Opens on demand: the inputs behind a figure. */
export function Disclosure({ title, children }: { title: string; children: ReactNode }) {
  return (
    <details className="behind">
      <summary>{title}</summary>
      {children}
    </details>
  );
}
