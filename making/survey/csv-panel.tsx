'use client';

import { useState } from 'react';
import type { BeatFeature } from '../../core/formats/index';
import { Button } from '../../ui/button';
import { Disclosure } from '../../ui/disclosure';
import { PickField } from '../fields';
import { sectionsFromCsv, sectionsToCsv, soundingsFromCsv, soundingsToCsv } from './csv';
import type { SurveyDraft } from './survey-draft';
import css from '../making.module.css';
import panel from '../../ui/panel.module.css';
import { FileDrop } from '../../ui/file-drop';

type What = 'soundings' | 'sections';
const MOST_SHOWN = 6;

/** CSV in and out. What is good can be taken while the rest is named line by line. */
export function CsvPanel({
  draft,
  onTake,
}: {
  draft: SurveyDraft;
  onTake: (features: BeatFeature[]) => void;
}) {
  const [what, setWhat] = useState<What>('soundings');
  const [read, setRead] = useState<{
    name: string;
    good: BeatFeature[];
    problems: string[];
  } | null>(null);
  const choose = async (file: File | undefined) => {
    if (!file) return;
    const text = await file.text();
    const result = what === 'soundings' ? soundingsFromCsv(text) : sectionsFromCsv(text);
    setRead({ name: file.name, ...result });
  };
  const give = (name: string, text: string) => {
    const url = URL.createObjectURL(new Blob([text], { type: 'text/csv' }));
    const link = document.createElement('a');
    link.href = url;
    link.download = name;
    link.click();
    URL.revokeObjectURL(url);
  };
  return (
    <Disclosure title="CSV, in and out">
      <PickField
        label="Of"
        value={what}
        options={[
          ['soundings', 'soundings: x, y, depth, speed'],
          ['sections', 'sections: section, x, y, offset, depth, speed'],
        ]}
        onChange={setWhat}
      />
      <FileDrop
        label="Take from a file (metres, m/s)"
        accept=".csv,text/csv,text/plain"
        onFile={(file) => void choose(file)}
      />
      {read && (
        <div role="status">
          <p>
            <strong>
              {read.name}: {read.good.length} good {what === 'soundings' ? 'soundings' : 'sections'}
              {read.problems.length > 0 && `, ${read.problems.length} left out`}.
            </strong>
          </p>
          <ul className={css.problems}>
            {read.problems.slice(0, MOST_SHOWN).map((p) => (
              <li key={p}>{p}</li>
            ))}
          </ul>
          {read.problems.length > MOST_SHOWN && (
            <p>and {read.problems.length - MOST_SHOWN} more.</p>
          )}
          {read.good.length > 0 && (
            <Button
              voice="solid"
              onClick={() => {
                onTake(read.good);
                setRead(null);
              }}
            >
              Take the {read.good.length} good ones
            </Button>
          )}{' '}
          <Button onClick={() => setRead(null)}>Leave it</Button>
        </div>
      )}
      <p className={panel.row}>
        <Button onClick={() => give('soundings.csv', soundingsToCsv(draft.plan))}>
          Soundings to CSV
        </Button>
        <Button onClick={() => give('sections.csv', sectionsToCsv(draft.plan))}>
          Sections to CSV
        </Button>
      </p>
    </Disclosure>
  );
}
