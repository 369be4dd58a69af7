'use client';

import { useEffect, useMemo, useState } from 'react';
import { joinBank, writeBeat, type BeatFeature } from '../../core/formats/index';
import type { Place } from '../../core/grid/index';
import { surveyDoubt } from '../../core/water/index';
import { formatLength, type UnitSystem } from '../../core/units/index';
import { Button } from '../../ui/button';
import { Choice } from '../../ui/choice';
import { LengthField, PickField, PlainField } from '../fields';
import { LevelsPanel } from '../levels-panel';
import { MakingTop } from '../making-top';
import { PlacePanel } from '../place-panel';
import { useDraft, type DraftInput } from '../use-draft';
import { useUndoKeys } from '../../ui/use-undo-keys';
import { useKeep } from '../use-keep';
import { CsvPanel } from './csv-panel';
import { PhotoPanel } from './photo-panel';
import { SurveyCanvas } from './survey-canvas';
import { FeatureList, FeaturePanel, ToolPanel, ToolRow } from './tool-panels';
import {
  addFeatures,
  changeHeader,
  FEATURE_NAMES,
  numberOf,
  removeFeature,
  replaceFeature,
  surveyProblems,
  type SurveyDraft,
} from './survey-draft';
import { backOne, finish, tap, type ToolState } from './tools';
import css from '../making.module.css';
import panel from '../../ui/panel.module.css';

const FALL_KNOWN = [
  ['told', 'by eye'],
  ['levelled', 'with a level'],
  ['untold', 'not at all'],
] as const;
const FALL_TOLD = { told: true, levelled: 'levelled', untold: false } as const;

/** The way in by tape: banks, sections, soundings and what stands in the water, each with what it needs. */
export function SurveyPage({
  draft: input,
  units,
}: {
  draft: DraftInput<SurveyDraft>;
  units: UnitSystem;
}) {
  const draft = useDraft(input);
  const { body } = draft;
  const { plan } = body;
  useUndoKeys(draft.undo, draft.redo);
  const [chosen, setChosen] = useState<number | null>(null);
  const [tool, setTool] = useState<ToolState | null>(null);
  const [scaling, setScaling] = useState<Place[] | null>(null);
  const [showDoubt, setShowDoubt] = useState(false);
  const { problems, notes } = useMemo(() => surveyProblems(body), [body]);
  const doubt = useMemo(() => (showDoubt ? doubtOf(body) : null), [showDoubt, body]);
  const feature = chosen === null ? null : (plan.features[chosen] ?? null);

  const put = (f: BeatFeature) => {
    draft.change((d) => addFeatures(d, f));
    setChosen(plan.features.length);
  };
  const onTap = (place: Place) => {
    if (scaling) {
      if (scaling.length < 2) setScaling([...scaling, place]);
      return;
    }
    if (!tool) return;
    const tapped = tap(tool, place);
    setTool(tapped.state);
    if (tapped.kind === 'whole') put(tapped.feature);
  };
  const end = () => {
    const done = tool && finish(tool);
    if (!done) return;
    put(done.feature);
    setTool(done.state);
  };
  useToolKeys({
    active: tool !== null || scaling !== null,
    onEscape: () => {
      setScaling(null);
      setTool((t) => (t && t.places.length > 0 ? { ...t, places: [] } : null));
    },
    onBack: () => setTool((t) => t && backOne(t)),
    onEnd: end,
  });
  const { keep, keepWords, refusal } = useKeep(input, draft, () =>
    problems.length === 0
      ? { file: writeBeat(plan), madeFrom: { kind: 'survey', photo: body.photo } }
      : {
          missing: `The draft is kept, but it is no beat yet:\n${problems.map((p) => p.message).join('\n')}`,
        },
  );
  return (
    <main className={css.making}>
      <MakingTop
        what="Survey"
        draft={draft}
        units={units}
        name={plan.name}
        onName={(name) => draft.change((d) => changeHeader(d, { name }))}
        onKeep={keep}
        keepWords={keepWords}
      />
      {refusal}
      <p className={css.atTheTable}>
        A survey is drawn at the table, on a wider screen. Sketch and quick notes work here.
      </p>
      <ToolRow
        tool={tool}
        onTake={(t) => {
          setTool(t);
          setScaling(null);
          setChosen(null);
        }}
      />
      <SurveyCanvas
        draft={body}
        units={units}
        chosen={chosen}
        tool={tool}
        scaling={scaling}
        doubt={doubt}
        onChoose={setChosen}
        onTap={onTap}
        onMoveCorner={(i, f, dragging) => {
          const next = replaceFeature(body, i, f);
          if (dragging) draft.draw(next);
          else draft.change(next);
        }}
      />
      <section className={css.makingResult} aria-label="What is missing">
        <div className={panel.row}>
          <Button aria-pressed={showDoubt} onClick={() => setShowDoubt(!showDoubt)}>
            {showDoubt ? 'Hide the doubt' : 'Where to sound next'}
          </Button>
          {doubt && (
            <span role="status">
              Each depth told from its neighbours misses by {formatLength(doubt.rmsM, units, 2)}{' '}
              rms.{' '}
              {doubt.next
                ? `A sounding at x ${doubt.next.xM.toFixed(1)}, y ${doubt.next.yM.toFixed(1)} m helps most.`
                : 'It is sounded closely enough everywhere.'}
            </span>
          )}
          {showDoubt && !doubt && (
            <span role="status">Both banks and one depth are needed before that can be told.</span>
          )}
        </div>
        <div role="status">
          <ul className={css.problems}>
            {problems.map((p) => (
              <li key={p.message}>
                {p.message}{' '}
                {p.feature !== null && (
                  <Button voice="plain" onClick={() => setChosen(p.feature)}>
                    Show it
                  </Button>
                )}
              </li>
            ))}
            {problems.length === 0 && <li>It is whole: it can be made a beat.</li>}
            {notes.map((n) => (
              <li key={n}>{n}</li>
            ))}
          </ul>
        </div>
      </section>
      <section className={css.makingSide} aria-label="What is being placed or changed">
        {tool && (
          <ToolPanel
            tool={tool}
            units={units}
            onProperties={(properties) => setTool({ ...tool, properties })}
            onPlaces={(places) => {
              let state: ToolState = { ...tool, places: [] };
              for (const p of places) {
                const tapped = tap(state, p);
                state = tapped.state;
                if (tapped.kind === 'whole') put(tapped.feature);
              }
              const done = finish(state);
              if (done) put(done.feature);
              setTool(done?.state ?? state);
            }}
            onEnd={end}
            onLeave={() => setTool(null)}
          />
        )}
        {!tool && feature && chosen !== null && (
          <FeaturePanel
            feature={feature}
            title={`${FEATURE_NAMES[feature.kind]} ${numberOf(plan, chosen)}`}
            units={units}
            onChange={(f) => draft.change((d) => replaceFeature(d, chosen, f))}
            onRemove={() => {
              setChosen(null);
              draft.change((d) => removeFeature(d, chosen));
            }}
            onLeave={() => setChosen(null)}
          />
        )}
        <h2>The beat</h2>
        <div className={css.pair}>
          <LengthField
            label="Length along its line"
            valueM={plan.lengthM}
            range={{ min: 5, max: 150 }}
            units={units}
            onKeep={(lengthM) => draft.change((d) => changeHeader(d, { lengthM }))}
          />
          <PlainField
            label="Fall"
            unit="m in 100 m"
            value={100 * plan.slope}
            range={{ min: 0, max: 20 }}
            digits={2}
            onKeep={(v) => draft.change((d) => changeHeader(d, { slope: v / 100 }))}
          />
          <PickField
            label="Fall told"
            value={
              plan.fallTold === 'levelled'
                ? 'levelled'
                : plan.fallTold === false
                  ? 'untold'
                  : 'told'
            }
            options={FALL_KNOWN}
            onChange={(known) =>
              draft.change((d) => changeHeader(d, { fallTold: FALL_TOLD[known] }))
            }
          />
        </div>
        <span className={css.askedName}>Level it was surveyed at</span>
        <Choice
          label="Level it was surveyed at"
          value={plan.surveyedLevel}
          options={[
            ['Thin', 'Thin'],
            ['Fair', 'Fair'],
            ['Full', 'Full'],
            ['Spate', 'Spate'],
          ]}
          onChange={(surveyedLevel) =>
            draft.change((d) =>
              changeHeader(d, {
                surveyedLevel,
                levels: d.plan.levels.some((l) => l.name === surveyedLevel)
                  ? d.plan.levels
                  : [...d.plan.levels, { name: surveyedLevel, dischargeM3s: 1, how: 'guessed' }],
              }),
            )
          }
        />
        <LevelsPanel
          levels={plan.levels}
          surveyed={plan.levels.find((l) => l.name === plan.surveyedLevel) ?? null}
          plan={plan}
          units={units}
          onChange={(levels) => draft.change((d) => changeHeader(d, { levels }))}
        />
        <PlacePanel
          place={plan}
          onChange={(place) => draft.change((d) => changeHeader(d, place))}
        />
        <PhotoPanel
          photo={body.photo}
          lengthM={plan.lengthM}
          units={units}
          scaling={scaling}
          onScale={(points) => {
            setTool(null);
            setScaling(points);
          }}
          onChange={(photo) => draft.change((d) => ({ ...d, photo }))}
        />
        <CsvPanel
          draft={body}
          onTake={(features) => draft.change((d) => addFeatures(d, ...features))}
        />
        <FeatureList plan={plan.features} chosen={chosen} onChoose={setChosen} draft={body} />
      </section>
    </main>
  );
}

function doubtOf(d: SurveyDraft) {
  const { plan } = d;
  const sounded = plan.features.some((f) => f.kind === 'section' || f.kind === 'sounding');
  if (!sounded || joinBank(plan, 'left').problem || joinBank(plan, 'right').problem) return null;
  return surveyDoubt(plan);
}

function useToolKeys(keys: {
  active: boolean;
  onEscape: () => void;
  onBack: () => void;
  onEnd: () => void;
}): void {
  useEffect(() => {
    if (!keys.active) return;
    const onKey = (event: KeyboardEvent) => {
      if ((event.target as HTMLElement).closest('input, textarea, select')) return;
      if (event.key === 'Escape') keys.onEscape();
      else if (event.key === 'Backspace') keys.onBack();
      else if (event.key === 'Enter' && !(event.target as HTMLElement).closest('button, a'))
        keys.onEnd();
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
}
