'use client';

import { chakra, Timeline } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import {
  type EventCode,
  foldTry,
  meaningOf,
  possibleEvents,
  TRIES_AT_HAND,
  type Try,
} from '../../../core/log/index';
import {
  clockText,
  fishLengthUnit,
  formatFishLength,
  parseFishLengthCm,
} from '../../../core/units/index';
import { Button } from '../../../ui/button';
import { DataTable, type TableColumn, type TableSort } from '../../../ui/data-table';
import { TextInput } from '../../../ui/input';
import { useActions, usePart, useWorkspace } from '../../context';
import { numberOfMark, targetOf } from '../../state/selectors';
import { createTryActions } from '../../records/try-actions';
import { openTryHere } from '../../records/tries-here';
import { dayWords } from '../../../words/dates';
import { END_WORDS } from '../../../words/try-words';
import panel from '../../../ui/panel.module.css';
import css from './log.module.css';
import { FormText, useSchemaForm } from '../../../ui/schema-form';
import { fishLengthText, someWords } from '../../../words/form-schemas';
import { object, string } from 'yup';

/** Tries at the chosen fish: begun with a fly, one press an event, nothing overwritten. */
export function LogPanel() {
  const tries = usePart((s) => s.tries);
  const { beat } = useWorkspace();
  const target = usePart(targetOf);
  const number = usePart((s) => (s.markId ? numberOfMark(s, s.markId) : 0));
  const open = usePart((s) => openTryHere(s, beat.id));
  const done = useMemo(() => tries.filter((t) => t.id !== open?.id), [tries, open?.id]);
  return (
    <section>
      <h2>{number ? `Fish ${number}` : target ? 'The fish in the lie' : 'What the fish did'}</h2>
      {!target && <p>Choose a fish or a lie first: on the plan or in the list.</p>}
      {target && !open && <BeginTry />}
      {open && <OpenTry key={open.id} attempt={open} />}
      {done.length > 0 && <h3>Earlier tries</h3>}
      {done.length > 0 && <PastTries tries={done} />}
      {tries.length >= TRIES_AT_HAND && (
        <p className={panel.second}>
          The newest {TRIES_AT_HAND} of this beat; all of them are in the book’s log of outings.
        </p>
      )}
    </section>
  );
}

const FLY_LETTERS = 80;
/** A try may begin with a fly that is not named. */
const FLY_OR_NONE = object({ fly: string().default('').max(FLY_LETTERS) });

function BeginTry() {
  const log = useActions(createTryActions);
  const form = useSchemaForm(FLY_OR_NONE, { fly: '' });
  return (
    <form
      className={panel.stack}
      onSubmit={(e) => void form.handleSubmit((v) => log.beginTry(v.fly.trim()))(e)}
    >
      <FormText
        form={form}
        name="fly"
        label="Fly"
        maxLength={FLY_LETTERS}
        placeholder="Olive parachute 16"
      />
      <Button voice="solid" type="submit">
        Begin a try
      </Button>
      <p className={panel.second}>
        The plan of this moment, its stand, lay and predicted drift, is kept with the try.
      </p>
    </form>
  );
}

function OpenTry({ attempt }: { attempt: Try }) {
  const log = useActions(createTryActions);
  const fold = foldTry(attempt.fly, attempt.events);
  const [asking, setAsking] = useState<EventCode | null>(null);
  const [note, setNote] = useState('');
  const withNote = () => {
    const kept = note.trim();
    setNote('');
    return kept === '' ? {} : { note: kept };
  };
  const press = (code: EventCode) => {
    const asks = wantsToKnow(code);
    setAsking(asks ? code : null);
    if (asks) return;
    log.record(attempt.id, code, withNote());
  };
  return (
    <div>
      <p className={panel.second}>
        {fold.state === 'hooked' ? `Fish on, at cast ${fold.casts},` : `Cast ${fold.casts + 1}`}{' '}
        with {fold.fly === '' ? 'a fly not named' : fold.fly}.
      </p>
      <div className={css.pad}>
        {possibleEvents(fold.state).map((code) => (
          <Button
            voice="bare"
            key={code}
            className={css.event}
            aria-pressed={asking === code}
            onClick={() => press(code)}
          >
            {meaningOf(code).word}
          </Button>
        ))}
      </div>
      {asking && (
        <Asked
          key={asking}
          what={wantsToKnow(asking)!}
          onKeep={(told) => {
            log.record(attempt.id, asking, { ...told, ...withNote() });
            setAsking(null);
          }}
        />
      )}
      <label className={`${panel.stack} ${panel.note}`}>
        Note for the next press
        <TextInput
          voice="words"
          value={note}
          maxLength={500}
          onChange={(e) => setNote(e.target.value)}
        />
      </label>
      <div className={panel.row}>
        <Button onClick={() => log.undoLast(attempt.id)} disabled={fold.last === null}>
          Take it back
        </Button>
        <span className={panel.second}>
          {fold.last ? `Kept: ${meaningOf(fold.last.code).word.toLowerCase()}` : 'Nothing kept yet'}
        </span>
      </div>
      <TimeLine attempt={attempt} />
    </div>
  );
}

/** What a press wants to know beside itself; null: nothing. */
function wantsToKnow(code: EventCode): 'length' | 'fly' | null {
  const { ends, move } = meaningOf(code);
  return ends === 'landed' ? 'length' : move === 'changed' ? 'fly' : null;
}

/** The field for it. */
function Asked({
  what,
  onKeep,
}: {
  what: 'length' | 'fly';
  onKeep: (told: { lengthCm: number } | { fly: string }) => void;
}) {
  const units = usePart((s) => s.settings.units);
  const landing = what === 'length';
  const form = useSchemaForm(
    object({
      told: landing
        ? fishLengthText(units)
        : someWords('Fly', FLY_LETTERS, 'Say which fly it is now, in your own words.'),
    }),
    { told: '' },
  );
  const keep = ({ told }: { told: string }) => {
    if (!landing) return onKeep({ fly: told.trim() });
    const parsed = parseFishLengthCm(told, units);
    if (parsed.ok) onKeep({ lengthCm: Math.round(parsed.value * 10) / 10 });
  };
  return (
    <form
      className={`${panel.stack} ${css.asked}`}
      onSubmit={(e) => void form.handleSubmit(keep)(e)}
    >
      <FormText
        form={form}
        name="told"
        label={landing ? `Its length, ${fishLengthUnit(units)}` : 'Fly now'}
        focused
        maxLength={FLY_LETTERS}
        inputMode={landing ? 'decimal' : 'text'}
      />
      <Button voice="solid" type="submit">
        Keep it
      </Button>
    </form>
  );
}

function TimeLine({ attempt }: { attempt: Try }) {
  const { beat } = useWorkspace();
  const units = usePart((s) => s.settings.units);
  const { timeline } = foldTry(attempt.fly, attempt.events);
  if (timeline.length === 0) return null;
  return (
    <Timeline.Root as="ol" aria-label="What happened">
      {timeline.map(({ event, undone }) => (
        <Timeline.Item as="li" key={event.id} data-undone={undone ? '' : undefined}>
          <Timeline.Connector>
            <Timeline.Separator />
            <Timeline.Indicator />
          </Timeline.Connector>
          <Timeline.Content>
            <span>
              <chakra.strong>{clockText(event.clientMs, beat.plan.timeZone)}</chakra.strong>{' '}
              {meaningOf(event.code).word}
              {event.lengthCm !== undefined ? `, ${formatFishLength(event.lengthCm, units)}` : ''}
              {event.fly ? `: ${event.fly}` : ''}
              {event.note ? `. ${event.note}` : ''}
              {undone ? ' (taken back)' : ''}
            </span>
          </Timeline.Content>
        </Timeline.Item>
      ))}
    </Timeline.Root>
  );
}

interface PastRow {
  attempt: Try;
  fish: string;
  fold: ReturnType<typeof foldTry>;
}

/** Tries that are over, as a table; the one that is opened tells what happened. */
function PastTries({ tries }: { tries: readonly Try[] }) {
  const { beat } = useWorkspace();
  const log = useActions(createTryActions);
  const units = usePart((s) => s.settings.units);
  const marks = usePart((s) => s.marks);
  const [opened, setOpened] = useState<string | null>(null);
  const [sort, setSort] = useState<TableSort>({ id: 'when', desc: true });
  const zone = beat.plan.timeZone;
  const rows = useMemo(
    () =>
      tries.map((attempt): PastRow => {
        const number = marks.findIndex((m) => m.id === attempt.markId) + 1;
        return {
          attempt,
          fish: number > 0 ? `fish ${number}` : 'a fish',
          fold: foldTry(attempt.fly, attempt.events),
        };
      }),
    [tries, marks],
  );
  const columns = useMemo<readonly TableColumn<PastRow>[]>(
    () => [
      {
        id: 'when',
        name: 'When',
        value: ({ attempt }) => attempt.openedMs,
        largestFirst: true,
        cell: ({ attempt }) => (
          <Button
            voice="plain"
            aria-expanded={opened === attempt.id}
            onClick={() => setOpened(opened === attempt.id ? null : attempt.id)}
          >
            {dayWords(attempt.openedMs, zone)}, {clockText(attempt.openedMs, zone)}
          </Button>
        ),
      },
      { id: 'fish', name: 'At', value: ({ fish }) => fish, cell: ({ fish }) => fish },
      {
        id: 'casts',
        name: 'Casts',
        value: ({ fold }) => fold.casts,
        largestFirst: true,
        cell: ({ fold }) => fold.casts,
      },
      {
        id: 'end',
        name: 'End',
        value: ({ fold }) => END_WORDS[fold.state],
        cell: ({ fold }) => (
          <span data-wide="">
            {END_WORDS[fold.state]}
            {fold.landedCm !== null ? `, ${formatFishLength(fold.landedCm, units)}` : ''}
          </span>
        ),
      },
    ],
    [opened, units, zone],
  );
  const shown = rows.find((r) => r.attempt.id === opened);
  return (
    <>
      <DataTable
        label="Earlier tries"
        columns={columns}
        rows={rows}
        rowKey={(r) => r.attempt.id}
        sort={sort}
        onSort={setSort}
        chosen={(r) => r.attempt.id === opened}
      />
      {shown && (
        <section aria-label="The try that is opened">
          <TimeLine attempt={shown.attempt} />
          {shown.fold.last && (
            <Button onClick={() => log.undoLast(shown.attempt.id)}>Take the last back</Button>
          )}
        </section>
      )}
    </>
  );
}
