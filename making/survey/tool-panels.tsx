'use client';

import { useState } from 'react';
import { shapePlaces, type BeatFeature } from '../../core/formats/index';
import type { Place } from '../../core/grid/index';
import { type UnitSystem } from '../../core/units/index';
import { Button } from '../../ui/button';
import { TextInput } from '../../ui/input';
import { AskFields } from './ask-fields';
import { StationsTable } from './stations-table';
import { dropCorner, FEATURE_NAMES, numberOf, type SurveyDraft } from './survey-draft';
import { placesFromText, takeTool, toolOf, TOOLS, type ToolState } from './tools';
import css from '../making.module.css';
import panel from '../../ui/panel.module.css';

export function ToolRow({
  tool,
  onTake,
}: {
  tool: ToolState | null;
  onTake: (t: ToolState | null) => void;
}) {
  return (
    <nav className={css.toolRow} aria-label="Tools">
      {TOOLS.map((t) => {
        const held = tool?.tool.kind === t.kind;
        return (
          <Button
            voice="bare"
            key={t.kind}
            className={`${css.word}${held ? ` ${css.chosen}` : ''}`}
            aria-pressed={held}
            onClick={() => onTake(held ? null : takeTool(t))}
          >
            {t.word}
          </Button>
        );
      })}
    </nav>
  );
}

/** What the tool asks, first; then the places, by tapping or by numbers. */
export function ToolPanel({
  tool,
  units,
  onProperties,
  onPlaces,
  onEnd,
  onLeave,
}: {
  tool: ToolState;
  units: UnitSystem;
  onProperties: (properties: Record<string, unknown>) => void;
  onPlaces: (places: Place[]) => void;
  onEnd: () => void;
  onLeave: () => void;
}) {
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const { shape, twoEnds, word } = tool.tool;
  const how =
    shape === 'Point'
      ? 'Tap where it is.'
      : twoEnds
        ? 'Tap one end, then the other.'
        : shape === 'LineString'
          ? 'Tap along it, then end it.'
          : 'Tap round it, then end it.';
  return (
    <section className={css.toolPanel} aria-label={`${word}, being placed`}>
      <h2>{word}</h2>
      <AskFields
        asks={tool.tool.asks}
        values={tool.properties}
        units={units}
        onChange={(field, value) => onProperties({ ...tool.properties, [field]: value })}
      />
      <p className={css.means}>{how} Backspace takes the last place back, Escape all of them.</p>
      {shape !== 'Point' && !twoEnds && (
        <Button
          voice="solid"
          disabled={tool.places.length < (shape === 'Polygon' ? 3 : 2)}
          onClick={onEnd}
        >
          End it here ({tool.places.length} places)
        </Button>
      )}
      <label htmlFor="by-numbers">or by numbers, x, y in metres</label>
      <TextInput
        voice="figure"
        id="by-numbers"
        placeholder="3, -1.5; 4.2, -1"
        value={text}
        onChange={(e) => setText(e.target.value)}
      />
      <p className={panel.row}>
        <Button
          onClick={() => {
            const places = placesFromText(text);
            if (typeof places === 'string') {
              setProblem(places);
              return;
            }
            setProblem(null);
            setText('');
            onPlaces(places);
          }}
        >
          Place it
        </Button>
        <Button onClick={onLeave}>Put the tool down</Button>
      </p>
      {problem && (
        <p role="alert" className={panel.problem}>
          {problem}
        </p>
      )}
    </section>
  );
}

export function FeaturePanel({
  feature,
  title,
  units,
  onChange,
  onRemove,
  onLeave,
}: {
  feature: BeatFeature;
  title: string;
  units: UnitSystem;
  onChange: (f: BeatFeature) => void;
  onRemove: () => void;
  onLeave: () => void;
}) {
  const places = shapePlaces(feature.shape);
  return (
    <section className={css.toolPanel} aria-label={title}>
      <h2>{title}</h2>
      <AskFields
        asks={toolOf(feature.kind).asks}
        values={feature as unknown as Record<string, unknown>}
        units={units}
        onChange={(field, value) => onChange({ ...feature, [field]: value } as BeatFeature)}
      />
      {feature.kind === 'section' && (
        <StationsTable
          stations={feature.stations}
          units={units}
          onChange={(stations) => onChange({ ...feature, stations })}
        />
      )}
      {places.length > 2 && (
        <Button
          onClick={() =>
            onChange({
              ...feature,
              shape: dropCorner(feature.shape, places.length - 1),
            } as BeatFeature)
          }
        >
          Take the last corner out
        </Button>
      )}
      <p className={panel.row}>
        <Button onClick={onRemove}>Take it out</Button>
        <Button onClick={onLeave}>Done with it</Button>
      </p>
    </section>
  );
}

export function FeatureList({
  plan,
  draft,
  chosen,
  onChoose,
}: {
  plan: readonly BeatFeature[];
  draft: SurveyDraft;
  chosen: number | null;
  onChoose: (i: number) => void;
}) {
  if (plan.length === 0) return null;
  const inOrder = plan
    .map((f, i) => ({ f, i, xM: Math.min(...shapePlaces(f.shape).map((p) => p.xM)) }))
    .sort((a, b) => a.xM - b.xM);
  return (
    <>
      <h2>On it, up-current</h2>
      <ul className={css.things} aria-label="On the survey">
        {inOrder.map(({ f, i, xM }) => (
          <li key={i}>
            <Button
              voice="bare"
              className={css.word}
              aria-pressed={i === chosen}
              onClick={() => onChoose(i)}
            >
              {FEATURE_NAMES[f.kind]} {numberOf(draft.plan, i)}, x {xM.toFixed(1)}
            </Button>
          </li>
        ))}
      </ul>
    </>
  );
}
