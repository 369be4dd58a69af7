'use client';

import {
  chakra,
  Checkbox,
  Collapsible,
  Field,
  NativeSelect,
  Progress,
  SegmentGroup,
  type HTMLChakraProps,
} from '@chakra-ui/react';
import Link from 'next/link';
import { useState, type ReactNode } from 'react';
import { buttonRecipe, inputRecipe, textAreaRecipe } from './recipes';

/** A pressed thing: `solid` for the one to do next, `line` for the rest, `plain` a word, `icon` a key. */
export const Button = chakra('button', buttonRecipe, { defaultProps: { type: 'button' } });

/** The same two for what leads on: within the application, and out of it (a file). */
export const ButtonLink = chakra(Link, buttonRecipe);
export const ButtonAnchor = chakra('a', buttonRecipe);

/** What is typed, on a line: a `figure`, or `words`. */
export const TextInput = chakra('input', inputRecipe);

/** Several lines of words. */
export const TextArea = chakra('textarea', textAreaRecipe);

/** The whole cell is the radio: a press anywhere in it counts, and arrow keys go through the group. */
const OVER_CELL = {
  position: 'absolute',
  inset: 0,
  width: '100%',
  height: '100%',
  margin: 0,
  opacity: 0,
  clip: 'auto',
  cursor: 'pointer',
} as const;

/** A choice of one among few, as pressed cells; arrow keys go through them. */
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
    <SegmentGroup.Root
      value={value}
      onValueChange={(e) => e.value !== null && e.value !== value && onChange(e.value as T)}
      aria-label={label}
    >
      {options.map(([v, word]) => (
        <SegmentGroup.Item key={v} value={v}>
          <SegmentGroup.ItemText>{word}</SegmentGroup.ItemText>
          <SegmentGroup.ItemHiddenInput style={OVER_CELL} />
        </SegmentGroup.Item>
      ))}
    </SegmentGroup.Root>
  );
}

/** One thing on or off. */
export function Check({
  checked,
  onChange,
  children,
  ...props
}: Omit<HTMLChakraProps<'label'>, 'onChange'> & {
  checked: boolean;
  onChange: (checked: boolean) => void;
  children: ReactNode;
}) {
  return (
    <Checkbox.Root
      checked={checked}
      onCheckedChange={(e) => onChange(e.checked === true)}
      {...(props as object)}
    >
      <Checkbox.HiddenInput style={OVER_CELL} />
      <Checkbox.Control />
      <Checkbox.Label>{children}</Checkbox.Label>
    </Checkbox.Root>
  );
}

/** One of many, from a list. */
export function Select({ children, ...props }: HTMLChakraProps<'select'>) {
  return (
    <NativeSelect.Root>
      <NativeSelect.Field {...(props as object)}>{children}</NativeSelect.Field>
    </NativeSelect.Root>
  );
}

/** How far long work has got, 0-1. */
export function ProgressBar({ label, share }: { label: string; share: number }) {
  return (
    <Progress.Root value={Math.round(100 * share)} aria-label={label}>
      <Progress.Track aria-label={label}>
        <Progress.Range />
      </Progress.Track>
    </Progress.Root>
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
    <Field.Root invalid={problem !== null} className="figure-field">
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
      <span id={`${id}-problem`} role="alert" className="problem">
        {problem}
      </span>
    </Field.Root>
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
export function Disclosure({
  title,
  children,
  open,
}: {
  title: ReactNode;
  children: ReactNode;
  /** Open from the start. */
  open?: boolean;
}) {
  return (
    <Collapsible.Root defaultOpen={open ?? false}>
      <Collapsible.Trigger>{title}</Collapsible.Trigger>
      <Collapsible.Content>{children}</Collapsible.Content>
    </Collapsible.Root>
  );
}
