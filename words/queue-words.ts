import { EVENT_CODES, meaningOf } from '../core/log/index';

/** A change as the queue holds it. */
interface Change {
  kind: string;
  method: 'PUT' | 'DELETE';
  body?: Record<string, unknown>;
}

const NAMES: Record<string, string> = {
  fish: 'A fish marked',
  ring: 'A ring tapped',
  'quick read': 'A quick read',
  setting: 'A setting',
  outing: 'An outing',
  reading: 'A reading',
  try: 'A try begun',
  photograph: 'A photograph',
  day: 'A plan for a day',
};

/** What a change is, for a person to know it by: "Missed", "A fish marked". */
export function changeName({ kind, method, body }: Change): string {
  if (kind === 'press') {
    const code = EVENT_CODES.find((c) => c === body?.code);
    return code ? meaningOf(code).word : 'Something that happened in a try';
  }
  const name = NAMES[kind] ?? 'A change';
  return method === 'DELETE' ? `${name}, taken out again` : name;
}

const FIELDS: Record<string, string> = {
  lengthCm: 'Its length, cm',
  totalLengthCm: 'Its length, cm',
  fishDepthM: 'Its depth, m',
  note: 'Note',
  fly: 'Fly',
  waterTempC: 'Water temperature, °C',
};

/** The part of a change that was refused, where a person can mend it: its name in the body, and on screen. */
export function mendable(
  change: Change,
  field: string | null,
): { key: string; name: string } | null {
  const key = field ?? '';
  const value = change.body?.[key];
  const name = FIELDS[key];
  return name && (typeof value === 'number' || typeof value === 'string') ? { key, name } : null;
}

/** One change that was not taken, as it is shown. */
export interface NotTakenRow {
  seq: number;
  name: string;
  message: string;
  mend: { key: string; name: string; value: string } | null;
}

export const notTakenRows = (
  refused: readonly (Change & { seq: number; message: string; field: string | null })[],
): NotTakenRow[] =>
  refused.map((r) => {
    const part = mendable(r, r.field);
    return {
      seq: r.seq,
      name: changeName(r),
      message: r.message,
      mend: part && { ...part, value: String(r.body![part.key]) },
    };
  });

/** The body with one part changed, a number staying a number. */
export const mended = (
  body: Record<string, unknown> | undefined,
  key: string,
  text: string,
): Record<string, unknown> => ({
  ...body,
  [key]: typeof body?.[key] === 'number' ? Number(text.replace(',', '.')) : text,
});

/** What the list of what was not taken needs, from the queue as it stands. */
export const notTakenProps = ({
  refused,
  sendAgain,
  throwAway,
}: {
  refused: readonly (Change & { seq: number; message: string; field: string | null })[];
  sendAgain(seq: number, body?: Record<string, unknown>): Promise<void>;
  throwAway(seq: number): Promise<void>;
}) => ({
  rows: notTakenRows(refused),
  onSendAgain(seq: number, change?: { key: string; text: string }) {
    const body = refused.find((r) => r.seq === seq)?.body;
    void sendAgain(seq, change && mended(body, change.key, change.text));
  },
  onThrowAway: (seq: number) => void throwAway(seq),
});
