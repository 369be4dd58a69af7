'use client';

import { Field } from '@chakra-ui/react';
import { yupResolver } from '@hookform/resolvers/yup';
import { useId } from 'react';
import {
  useForm,
  type DefaultValues,
  type FieldPath,
  type FieldValues,
  type UseFormReturn,
} from 'react-hook-form';
import type { ObjectSchema } from 'yup';
import { TextInput } from './input';

/** A form whose fields are judged by one schema when it is sent; each sentence stands at its field. */
export const useSchemaForm = <T extends FieldValues>(
  schema: ObjectSchema<T>,
  defaultValues: DefaultValues<T>,
): UseFormReturn<T, unknown, T> =>
  useForm<T, unknown, T>({
    // The resolver's own types speak of a schema's input and output; ours are one.
    resolver: yupResolver(schema) as never,
    defaultValues,
    reValidateMode: 'onSubmit',
  });

/** One line of such a form. */
export function FormText<T extends FieldValues>({
  form,
  name,
  label,
  hideLabel = false,
  focused = false,
  onLeave,
  ...input
}: {
  form: UseFormReturn<T, unknown, T>;
  name: FieldPath<T>;
  label: string;
  /** Said to readers only: what is around it says it to the eye. */
  hideLabel?: boolean;
  focused?: boolean;
  /** Escape. */
  onLeave?: () => void;
  placeholder?: string;
  inputMode?: 'decimal' | 'text';
  maxLength?: number;
}) {
  const id = useId();
  const problem = form.formState.errors[name]?.message;
  return (
    <Field.Root invalid={problem !== undefined}>
      {!hideLabel && <Field.Label htmlFor={id}>{label}</Field.Label>}
      <TextInput
        id={id}
        voice="words"
        autoFocus={focused}
        aria-label={hideLabel ? label : undefined}
        aria-invalid={problem !== undefined}
        aria-describedby={`${id}-problem`}
        onKeyDown={(e) => e.key === 'Escape' && onLeave?.()}
        {...input}
        {...form.register(name)}
      />
      <Field.ErrorText id={`${id}-problem`} role="alert">
        {String(problem ?? '')}
      </Field.ErrorText>
    </Field.Root>
  );
}
