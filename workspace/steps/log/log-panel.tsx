'use client';

import { useState } from 'react';
import {
  EVENT_WORDS,
  type EventCode,
  foldTry,
  possibleEvents,
  type Try,
} from '../../../core/log/index';
import {
  clockText,
  dayText,
  fishLengthUnit,
  formatFishLength,
  parseFishLengthCm,
} from '../../../core/units/index';
import { Button } from '../../../ui/button';
import { Disclosure } from '../../../ui/disclosure';
import { TextInput } from '../../../ui/input';
import { useActions, usePart, useWorkspace } from '../../context';
import { numberOfMark, targetOf } from '../../state/selectors';
import { createTryActions } from '../../records/try-actions';
import panel from '../../../ui/panel.module.css';
import css from './log.module.css';

/** Tries at the chosen fish: begun with a fly, one press an event, nothing overwritten. */
export function LogPanel() {
  const tries = usePart((s) => s.tries);
  const markId = usePart((s) => s.markId);
  const target = usePart(targetOf);
  const number = usePart((s) => (s.markId ? numberOfMark(s, s.markId) : 0));
  const ofThis = tries.filter((t) => t.markId === markId);
  const open = ofThis.find((t) => isOpen(t));
  const done = [...tries].reverse().filter((t) => t.id !== open?.id);
  return (
    <section>
      <h2>{number ? `Fish ${number}` : target ? 'The fish in the lie' : 'What the fish did'}</h2>
      {!target && <p>Choose a fish or a lie first: on the plan or in the list.</p>}
      {target && !open && <BeginTry />}
      {open && <OpenTry key={open.id} attempt={open} />}
      {done.length > 0 && <h3>Earlier tries</h3>}
      {done.map((t) => (
        <PastTry key={t.id} attempt={t} />
      ))}
    </section>
  );
}

const isOpen = (t: Try) => ['open', 'hooked'].includes(foldTry(t.fly, t.events).state);

function BeginTry() {
  const log = useActions(createTryActions);
  const [fly, setFly] = useState('');
  return (
    <form
      className={panel.stack}
      onSubmit={(e) => {
        e.preventDefault();
        log.beginTry(fly.trim());
      }}
    >
      <label htmlFor="fly">Fly</label>
      <TextInput
        id="fly"
        voice="words"
        value={fly}
        maxLength={80}
        placeholder="Olive parachute 16"
        onChange={(e) => setFly(e.target.value)}
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
  const units = usePart((s) => s.settings.units);
  const fold = foldTry(attempt.fly, attempt.events);
  const [asking, setAsking] = useState<'landing' | 'change' | null>(null);
  const [text, setText] = useState('');
  const [note, setNote] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const withNote = () => {
    const kept = note.trim();
    setNote('');
    return kept === '' ? {} : { note: kept };
  };
  const press = (code: EventCode) => {
    setProblem(null);
    if (code === 'landing' || code === 'change') {
      setText('');
      setAsking(code);
      return;
    }
    setAsking(null);
    log.record(attempt.id, code, withNote());
  };
  const keepAsked = () => {
    if (asking === 'landing') {
      const parsed = parseFishLengthCm(text, units);
      if (!parsed.ok) return setProblem(parsed.message);
      log.record(attempt.id, 'landing', {
        lengthCm: Math.round(parsed.value * 10) / 10,
        ...withNote(),
      });
    } else {
      if (text.trim() === '')
        return setProblem('Fly "" is empty. Say which fly it is now, in your own words.');
      log.record(attempt.id, 'change', { fly: text.trim(), ...withNote() });
    }
    setProblem(null);
    setAsking(null);
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
            {EVENT_WORDS[code]}
          </Button>
        ))}
      </div>
      {asking && (
        <form
          className={`${panel.stack} ${css.asked}`}
          onSubmit={(e) => {
            e.preventDefault();
            keepAsked();
          }}
        >
          <label htmlFor="asked">
            {asking === 'landing' ? `Its length, ${fishLengthUnit(units)}` : 'Fly now'}
          </label>
          <TextInput
            id="asked"
            autoFocus
            voice="words"
            maxLength={80}
            inputMode={asking === 'landing' ? 'decimal' : 'text'}
            value={text}
            aria-invalid={problem !== null}
            aria-describedby="asked-problem"
            onChange={(e) => setText(e.target.value)}
          />
          <Button voice="solid" type="submit">
            Keep it
          </Button>
        </form>
      )}
      <span id="asked-problem" role="alert" className={panel.problem}>
        {problem}
      </span>
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
          {fold.last ? `Kept: ${EVENT_WORDS[fold.last.code].toLowerCase()}` : 'Nothing kept yet'}
        </span>
      </div>
      <TimeLine attempt={attempt} />
    </div>
  );
}

function TimeLine({ attempt }: { attempt: Try }) {
  const { beat } = useWorkspace();
  const units = usePart((s) => s.settings.units);
  const { timeline } = foldTry(attempt.fly, attempt.events);
  if (timeline.length === 0) return null;
  return (
    <ol className={css.timeline} aria-label="What happened">
      {timeline.map(({ event, undone }) => (
        <li key={event.id} className={undone ? css.undone : ''}>
          <span className={css.when}>{clockText(event.clientMs, beat.plan.timeZone)}</span>{' '}
          {EVENT_WORDS[event.code]}
          {event.lengthCm !== undefined ? `, ${formatFishLength(event.lengthCm, units)}` : ''}
          {event.fly ? `: ${event.fly}` : ''}
          {event.note ? `. ${event.note}` : ''}
          {undone ? ' (taken back)' : ''}
        </li>
      ))}
    </ol>
  );
}

function PastTry({ attempt }: { attempt: Try }) {
  const { beat } = useWorkspace();
  const log = useActions(createTryActions);
  const units = usePart((s) => s.settings.units);
  const number = usePart((s) => (attempt.markId ? numberOfMark(s, attempt.markId) : 0));
  const fold = foldTry(attempt.fly, attempt.events);
  const end = {
    open: 'still open',
    hooked: 'hooked',
    landed: 'landed',
    lost: 'came off',
    'put down': 'put down',
  }[fold.state];
  return (
    <Disclosure
      title={
        <>
          {dayText(attempt.openedMs, beat.plan.timeZone)},{' '}
          {clockText(attempt.openedMs, beat.plan.timeZone)}: {number ? `fish ${number}` : 'a fish'},{' '}
          {fold.casts} casts, {end}
          {fold.landedCm !== null ? `, ${formatFishLength(fold.landedCm, units)}` : ''}
        </>
      }
    >
      <TimeLine attempt={attempt} />
      {fold.last && <Button onClick={() => log.undoLast(attempt.id)}>Take the last back</Button>}
    </Disclosure>
  );
}
