'use client';

import { formatLength, formatSeconds, formatSpeed } from '../../core/units/index';
import { MICRO_MPS, UNKNOWN, WAKE_MPS, type DriftBand, type Lay } from '../../core/cast/index';
import { Behind, Choice, Fact } from '../../ui/parts';
import { civilHour } from '../civil-time';
import { usePart, useWorkspace } from '../context';
import { numberOfMark, targetOf } from '../state';
import { AtTheStand, postureName } from './at-the-stand';
import { driftWhy, inHundred, PASS_WORDS } from '../words';

type LayChoice = 'straight' | 'up' | 'down';
const LAYS: readonly (readonly [LayChoice, string])[] = [
  ['straight', 'Straight'],
  ['up', 'Reach up'],
  ['down', 'Reach down'],
];
const AMOUNTS: readonly (readonly [string, number])[] = [
  ['1.0', 1],
  ['1.5', 1.5],
  ['2.0', 2],
];

export function CastInspector() {
  const { actions, beat } = useWorkspace();
  const zone = beat.plan.timeZone;
  const target = usePart(targetOf);
  const markNumber = usePart((s) => (s.markId ? numberOfMark(s, s.markId) : 0));
  const drift = usePart((s) => s.drift);
  const stale = usePart((s) => s.driftStale);
  const stand = usePart((s) => s.stand);
  const landing = usePart((s) => s.landing);
  const lay = usePart((s) => s.lay);
  const units = usePart((s) => s.settings.units);
  const posture = usePart((s) => s.posture);
  const seen = usePart(
    (s) => s.hours?.[Math.max(0, Math.round((civilHour(s.atMs, zone) - 4) * 2))]?.exposure ?? null,
  );
  if (!stand || !landing) {
    return (
      <section>
        <h2>Cast</h2>
        <p>
          Choose a fish or a lie first: on the plan or in the list. A stand and a landing place are
          then proposed, and you drag them.
        </p>
      </section>
    );
  }
  const choice: LayChoice =
    lay.kind === 'straight' ? 'straight' : lay.toward === 'up-current' ? 'up' : 'down';
  const setLay = (c: LayChoice, amountM = lay.kind === 'reach' ? lay.amountM : 1.5) => {
    const next: Lay =
      c === 'straight'
        ? { kind: 'straight' }
        : { kind: 'reach', toward: c === 'up' ? 'up-current' : 'down-current', amountM };
    actions.setLay(next);
  };
  const lead = target
    ? (landing.xM - target.xM) * Math.cos(target.headingRad) +
      (landing.yM - target.yM) * Math.sin(target.headingRad)
    : null;
  return (
    <section className={stale ? 'stale' : ''}>
      <h2>{target ? (markNumber ? `Fish ${markNumber}` : 'The fish in the lie') : 'A cast'}</h2>
      <p className="second">
        {postureName(posture)}.{' '}
        {lay.kind === 'straight'
          ? 'Straight line.'
          : `Reach ${choice === 'up' ? 'up' : 'down'}-current, ${formatLength(lay.amountM, units)}.`}
        {seen !== null && target ? ` Seen: ${inHundred(seen)}.` : ''}
      </p>
      {drift ? (
        <DriftFigures drift={drift} />
      ) : (
        <p className="working" role="status">
          Casting.
        </p>
      )}
      <Choice label="Lay of the line" value={choice} options={LAYS} onChange={(c) => setLay(c)} />
      {lay.kind === 'reach' && (
        <Choice
          label="Amount of the reach"
          value={lay.amountM.toFixed(1)}
          options={AMOUNTS.map(([v, m]) => [v, formatLength(m, units)] as const)}
          onChange={(v) => setLay(choice, Number(v))}
        />
      )}
      <dl className="facts three">
        <Fact name="lead">{lead === null ? 'no fish' : formatLength(lead, units)}</Fact>
        <Fact name="to the fly">
          {formatLength(Math.hypot(landing.xM - stand.xM, landing.yM - stand.yM), units)}
        </Fact>
        <Fact name="clean over">{drift ? formatLength(drift.best.cleanM, units) : ''}</Fact>
      </dl>
      <AtTheStand next="log" word="Log a try" />
      <p className="second">
        Drag the stand, the open dot where the fly lands, or the fish. Arrow keys move what is
        focused.
      </p>
      <Behind title="What this rests on">
        <p className="second">
          Line and leader as a chain in the solved surface current, rod tip lowered to the water; a
          reach is followed with the rod. Clean is below {formatSpeed(MICRO_MPS, units)} of drag, a
          wake above {formatSpeed(WAKE_MPS, units)}. The band takes line friction{' '}
          {UNKNOWN.dragRatio[0]} to {UNKNOWN.dragRatio[1]}, slack in the line to 5 % and the current
          10 % either way. Flow not calibrated here.
        </p>
      </Behind>
    </section>
  );
}

const SHOWN_S = 6;
const LEFT = 8;
const WIDTH = 250;

/** The one large figure, its band, and the drift as the same three lines as on the plan. */
function DriftFigures({ drift }: { drift: DriftBand }) {
  const units = usePart((s) => s.settings.units);
  const { best, cleanS } = drift;
  const x = (s: number) => LEFT + (WIDTH * Math.min(SHOWN_S, s)) / SHOWN_S;
  const micro = best.firstMicroS ?? SHOWN_S;
  const wake = best.firstWakeS ?? SHOWN_S;
  const known = best.status === 'ok';
  return (
    <>
      <p className="large" aria-live="polite">
        {known ? (
          <>
            {cleanS.best >= SHOWN_S - 0.11 ? `${SHOWN_S}` : cleanS.best.toFixed(1)}
            <small> s</small>
            <span>
              <strong>{cleanS.best >= SHOWN_S - 0.11 ? 'clean, or more' : 'clean drift'}</strong>
              {cleanS.low >= SHOWN_S - 0.11
                ? 'followed no further'
                : `between ${formatSeconds(cleanS.low)} and ${formatSeconds(cleanS.high)}`}
            </span>
          </>
        ) : (
          'Not known'
        )}
      </p>
      <svg width="272" height="52" viewBox="0 0 272 52" aria-hidden="true">
        <rect
          x={x(cleanS.low)}
          y={14}
          width={Math.max(2, x(cleanS.high) - x(cleanS.low))}
          height={10}
          fill="var(--rule)"
        />
        <path d={`M${x(0)},19H${x(micro)}`} className="track-clean" />
        {best.firstMicroS !== null && (
          <path d={`M${x(micro) + 4},19H${x(Math.max(micro, wake))}`} className="track-micro" />
        )}
        {best.firstWakeS !== null && (
          <path d={`M${x(wake)},19H${x(SHOWN_S)}`} className="track-wake" />
        )}
        <path d={`M${x(cleanS.best)},13v12`} stroke="var(--ink)" strokeWidth={2.4} />
        {best.passesAtS !== null && (
          <>
            <path d={`M${x(best.passesAtS)},6v28`} stroke="var(--fish)" strokeWidth={1.8} />
          </>
        )}
        {[0, 1, 2, 3, 4, 5, 6].map((s) => (
          <text key={s} x={x(s)} y={48} textAnchor="middle" className="axis">
            {s}
            {s === 6 ? ' s' : ''}
          </text>
        ))}
      </svg>
      {best.passesFish && (
        <p className="pass">
          <strong>
            {PASS_WORDS[best.passesFish]}
            {best.passesAtS !== null ? ` at ${formatSeconds(best.passesAtS)}` : ''}.
          </strong>
        </p>
      )}
      <p>{driftWhy(best, units)}</p>
    </>
  );
}
