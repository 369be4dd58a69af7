'use client';

import { SPECIES } from '../../../core/fish/index';
import {
  COLOUR_NTU,
  colourOf,
  ntuOfSight,
  seasonAt,
  sightM,
  METHODS,
  QUICK_COLOURS,
  type DayChange,
  type Method,
} from '../../../core/lies/index';
import {
  clockText,
  fishLengthUnit,
  formatFishLength,
  formatTemp,
  parseFishLengthCm,
} from '../../../core/units/index';
import { Button } from '../../../ui/button';
import { Choice } from '../../../ui/choice';
import { Disclosure } from '../../../ui/disclosure';
import { FigureField } from '../../../ui/figure-field';
import { useActions, usePart, useWorkspace } from '../../context';
import { useDayChanges } from './day-changes';
import { methodName, needText, SPECIES_NAMES, weighedName } from '../../../words/words';
import { lieName } from '../../../words/names';
import { ASSUMED_TEMP_C, priorsOf } from '../../../core/log/index';
import { homeFitOf, tempOf } from '../../state/selectors';
import { isStale, valueOf } from '../../state/answer';
import { createReadActions } from './read-actions';
import { createPlanActions } from '../../plan-actions';
import { SEEN_WORDS } from '../../../words/lie-words';
import panel from '../../../ui/panel.module.css';
import { later } from '../../../ui/later';

const Slider = later(() => import('../../../ui/slider').then((m) => m.Slider), 28);

/** As far as clarity can be told by one's boots, m. */
const SIGHT_M = { min: 0.03, max: 4 };
const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** Which fish, by which method: what the rating is for. */
export function FishPanel() {
  const { beat } = useWorkspace();
  const acting = useActions(createPlanActions);
  const settings = usePart((s) => s.settings);
  const season = usePart((s) => seasonAt(s.atMs, beat.plan.timeZone, beat.plan.anchor?.lat ?? 1));
  const { units, species, fishLengthCm, turbidityNtu, prey, methods } = settings;
  const colour = colourOf(turbidityNtu);
  const home = usePart((s) => homeFitOf(s));
  const ofRecord = beat.id in priorsOf(settings).home.waters;
  return (
    <section>
      <h3>The fish it is rated for</h3>
      <p className={panel.second}>
        {SPECIES_NAMES[species]} trout of {formatFishLength(fishLengthCm, units)}, water {colour},{' '}
        {season} drift{beat.plan.anchor ? '' : ' (months of the north: no place is given)'}.
        {(ofRecord || home.trials > 0) &&
          ` ${ofRecord ? 'Your record' : `${home.trials} ${home.trials === 1 ? 'place' : 'places'} worked here`} ${ofRecord || home.trials === 1 ? 'says' : 'say'} that it holds ${home.offset < -0.1 ? 'fewer' : home.offset > 0.1 ? 'more' : 'as many'} fish ${Math.abs(home.offset) <= 0.1 ? 'as' : 'than'} its water promises; the ratings follow.`}
      </p>
      <Choice
        label="Where fish hold, by"
        value={methods.holding}
        options={METHODS.map((m) => [m, methodName(m)] as const)}
        onChange={(holding) => acting.changeSettings({ methods: { ...methods, holding } })}
      />
      <Disclosure title="Another fish, another water">
        <Choice
          label="Species"
          value={species}
          options={SPECIES.map((s) => [s, SPECIES_NAMES[s]] as const)}
          onChange={(s) => acting.changeSettings({ species: s })}
        />
        <FigureField
          id="fish-length"
          label="Length"
          unit={fishLengthUnit(units)}
          value={formatFishLength(fishLengthCm, units).replace(/ \S+$/, '')}
          parse={(text) => parseFishLengthCm(text, units, { min: 8, max: 60 })}
          onKeep={(cm) => acting.changeSettings({ fishLengthCm: Math.round(cm * 10) / 10 })}
        />
        <Choice
          label="Colour of the water"
          value={colour}
          options={QUICK_COLOURS.map((c) => [c, c] as const)}
          onChange={(c) => acting.changeSettings({ turbidityNtu: COLOUR_NTU[c] })}
        />
        <p className={panel.second}>{capital(SEEN_WORDS[colour])}.</p>
        <FigureField
          id="seen-down"
          label="Boots seen down to"
          unit={fishLengthUnit(units)}
          value={formatFishLength(100 * Math.min(SIGHT_M.max, sightM(turbidityNtu)), units).replace(
            / \S+$/,
            '',
          )}
          parse={(text) =>
            parseFishLengthCm(text, units, {
              min: 100 * SIGHT_M.min,
              max: 100 * SIGHT_M.max,
            })
          }
          onKeep={(cm) =>
            acting.changeSettings({ turbidityNtu: Math.round(10 * ntuOfSight(cm / 100)) / 10 })
          }
        />
        <Choice
          label="What drifts"
          value={prey}
          options={[
            ['mixed', 'mixed'],
            ['small', 'small flies'],
            ['large', 'large ones'],
          ]}
          onChange={(p) => acting.changeSettings({ prey: p })}
        />
      </Disclosure>
      <MethodDifferencePanel own={methods.holding} />
    </section>
  );
}

/** Where another school would fish, and why it parts from the chosen one. */
function MethodDifferencePanel({ own }: { own: Method }) {
  const reader = useActions(createReadActions);
  const other = usePart((s) => s.otherMethod);
  const difference = usePart((s) => valueOf(s, 'difference'));
  return (
    <Disclosure title="Where another method parts from it">
      <Choice
        label="Lay beside it"
        value={other ?? 'none'}
        options={[
          ['none', 'None'] as const,
          ...METHODS.filter((m) => m !== own).map((m) => [m, methodName(m)] as const),
        ]}
        onChange={(m) => reader.compareMethod(m === 'none' ? null : m)}
      />
      {other && !difference && <p className={panel.working}>Comparing.</p>}
      {other && difference && (
        <>
          <p>
            {difference.shared} of the {difference.of} best are shared: both weigh the same needs.
          </p>
          <ul className={panel.changes}>
            {difference.partings.map((p, i) => (
              <li key={i}>
                <span>
                  {lieName(p.kind)}: {methodName(p.chosenBy)} would fish it. The other asks more of{' '}
                  {weighedName(p.because)}, {needText(p.value)} here.
                </span>{' '}
                <strong>
                  {Math.round(p.ratings.own)} against {Math.round(p.ratings.other)}
                </strong>
              </li>
            ))}
          </ul>
        </>
      )}
    </Disclosure>
  );
}

/** Another temperature tried on; with level and hour the same lies rise and fade. */
export function ScrubPanel() {
  const { beat } = useWorkspace();
  const reader = useActions(createReadActions);
  const temp = usePart(tempOf);
  const tried = usePart((s) => s.triedTempC);
  const read = usePart((s) => s.settings.waterTempC);
  const units = usePart((s) => s.settings.units);
  const kept = usePart((s) => s.keptDay);
  const level = usePart((s) => s.level);
  const atMs = usePart((s) => s.atMs);
  const ready = usePart((s) => valueOf(s, 'lies') !== null && !isStale(s, 'lies'));
  const words = `${level}, ${formatTemp(temp, units)}, ${clockText(atMs, beat.plan.timeZone)}`;
  return (
    <section>
      <h3>Another day</h3>
      <p>
        Water {formatTemp(temp, units)}
        {tried !== null && ', tried on'}
      </p>
      <Slider
        label="Water, tried on"
        min={0}
        max={25}
        step={0.5}
        value={temp}
        text={formatTemp(temp, units)}
        onChange={reader.tryTemp}
      />
      <div className={panel.row}>
        {tried !== null && (
          <Button onClick={() => reader.tryTemp(null)}>
            Back to {formatTemp(read ?? ASSUMED_TEMP_C, units)}
          </Button>
        )}
        {!kept && ready && (
          <Button onClick={() => reader.keepDay(words)}>Lay this day by, to compare</Button>
        )}
        {kept && <Button onClick={() => reader.keepDay(null)}>Take the other day away</Button>}
      </div>
      {kept && <TwoDays then={kept.words} now={words} />}
    </section>
  );
}

/** A lie that is no longer listed but keeps this share of its rating is part of its neighbours' water. */
const MERGED_FROM = 0.6;

function seenWords(c: DayChange): string {
  if (c.seen === 'new') return ', new';
  if (c.seen === 'both') return '';
  return c.now >= MERGED_FROM * c.then ? ', no longer apart from its neighbours' : ', gone';
}

const LISTED = 8;

function TwoDays({ then, now }: { then: string; now: string }) {
  const changes = useDayChanges();
  const moved = changes.filter((c) => Math.abs(c.now - c.then) >= 1);
  return (
    <>
      <p>
        Then: {then}. Now: {now}.{' '}
        {moved.length === 0 && 'No lie has changed. Move the temperature, the level or the hour.'}
      </p>
      <ul className={panel.changes}>
        {moved.slice(0, LISTED).map((c) => (
          <li key={c.lie.id}>
            <span>
              {lieName(c.lie.kind)}
              {seenWords(c)}
            </span>{' '}
            <strong>
              {Math.round(c.then)} to {Math.round(c.now)}
            </strong>
          </li>
        ))}
      </ul>
    </>
  );
}
