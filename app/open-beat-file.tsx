'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { BeatPlan } from '@/core/formats/index';
import type { TakeLines, TakenLines } from '@/core/lines/index';
import { formatLength, type UnitSystem } from '@/core/units/index';
import { clientId } from '@/sync/client-id';
import { api } from '@/sync/api';
import { bookApi } from '@/sync/book-api';
import { Button } from '@/ui/button';
import { TextInput } from '@/ui/input';
import panel from '../ui/panel.module.css';
import { FileDrop } from '@/ui/file-drop';
import { later } from '@/ui/later';

const LinesPanel = later(() => import('@/making/lines/lines-panel').then((m) => m.LinesPanel), 300);

/**
 * Takes a beat file, somebody else's lines (GPX, GeoJSON), or the invented practice beat. Every problem
 * of a bad file is listed; nothing is kept of it.
 */
export function OpenBeatFile({ empty, units }: { empty: boolean; units: UnitSystem }) {
  const router = useRouter();
  const [stream, setStream] = useState('');
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const [partial, setPartial] = useState<BeatPlan | null>(null);
  const [whole, setWhole] = useState<{ file: unknown; plan: BeatPlan; notes: string[] } | null>(
    null,
  );
  const [strange, setStrange] = useState<{ name: string; taken: TakenLines } | null>(null);

  /** What a beat file of ours would bring; every problem of a bad one, and what could be read of it. */
  async function tryOut(file: unknown) {
    const { readBeat } = await import('@/core/formats/index');
    const read = readBeat(file);
    if (read.ok) setWhole({ file, plan: read.plan, notes: read.notes });
    else {
      setProblem(read.problems.map((p) => p.message).join('\n'));
      setPartial(read.partial);
    }
  }

  async function keep(file: unknown, streamName: string) {
    setBusy(true);
    setProblem('');
    setPartial(null);
    const id = clientId();
    const reply = await api.saveBeat(id, { stream: streamName, file });
    if (reply.ok) {
      router.push(`/b/${id}/read`);
      return;
    }
    setProblem(reply.message);
    setBusy(false);
  }

  /** What could be read is kept as a survey in the making; what could not is named above. */
  async function openPartial(plan: BeatPlan) {
    const id = clientId();
    const reply = await bookApi.saveDraft(id, {
      kind: 'survey',
      streamName: stream.trim(),
      beatId: null,
      body: { plan, photo: null },
    });
    if (!reply.ok) setProblem(reply.message);
    else router.push(`/make/survey/${id}`);
  }
  async function takePractice() {
    const response = await fetch('/practice-beat.json').catch(() => null);
    if (response?.ok) await keep(await response.json(), 'Practice water');
    else setProblem('The practice beat could not be read. Is the program still running?');
  }

  async function choose(file: File) {
    if (stream.trim() === '') {
      setProblem('Stream "" is empty. Give the stream a name first, then choose the file.');
      return;
    }
    setProblem('');
    setPartial(null);
    setStrange(null);
    setWhole(null);
    const text = await file.text();
    const { takeGeoJson } = await import('@/core/lines/index');
    const takeStrange = (read: TakeLines) => {
      if (read.ok) setStrange({ name: file.name, taken: read.taken });
      else setProblem(`"${file.name}": ${read.problem}`);
    };
    if (text.trimStart().startsWith('<')) {
      const { gpxFromText } = await import('@/words/gpx-text');
      return takeStrange(gpxFromText(text));
    }
    let json: unknown;
    try {
      json = JSON.parse(text);
    } catch {
      setProblem(
        `"${file.name}" is neither JSON nor GPX. A beat file is GeoJSON with a pebbleLane header; lines and places of any GeoJSON or GPX are taken too.`,
      );
      return;
    }
    if (isBeatFile(json)) await tryOut(json);
    else takeStrange(takeGeoJson(json));
  }

  return (
    <form onSubmit={(e) => e.preventDefault()}>
      {empty && (
        <p>
          This book is empty. Take the invented practice beat to try everything at once, or open a
          beat file of your own.
        </p>
      )}
      {empty && (
        <Button voice="solid" disabled={busy} onClick={() => void takePractice()}>
          Take the practice beat
        </Button>
      )}
      <label htmlFor="stream">Name of the stream</label>
      <TextInput
        voice="words"
        id="stream"
        value={stream}
        maxLength={80}
        onChange={(e) => setStream(e.target.value)}
      />
      <FileDrop
        label="A beat file, or lines walked or drawn elsewhere (GeoJSON, GPX)"
        accept=".json,.geojson,.gpx,application/geo+json,application/json,application/gpx+xml"
        disabled={busy}
        onFile={(file) => void choose(file)}
      />
      <p role="alert" className={panel.problem}>
        {problem}
      </p>
      {whole && (
        <div role="status">
          <p>
            <strong>Not kept yet.</strong> {whole.plan.name}:{' '}
            {formatLength(whole.plan.lengthM, units)}, {whole.plan.features.length} things on it, at{' '}
            {whole.plan.surveyedLevel.toLowerCase()} level. All of it would be taken.
          </p>
          <ul>
            {whole.notes.map((note) => (
              <li key={note}>{note}</li>
            ))}
          </ul>
          <p className={panel.row}>
            <Button
              voice="solid"
              disabled={busy}
              onClick={() => void keep(whole.file, stream.trim())}
            >
              Take it into the book
            </Button>
            <Button onClick={() => setWhole(null)}>Leave it</Button>
          </p>
        </div>
      )}
      {strange && (
        <LinesPanel
          key={strange.name}
          taken={strange.taken}
          fileName={strange.name}
          streamName={stream.trim()}
          units={units}
          onLeave={() => setStrange(null)}
        />
      )}
      {partial && (
        <Button voice="line" onClick={() => void openPartial(partial)}>
          Open what is good of it as a draft
        </Button>
      )}
    </form>
  );
}

/** Whether it says that it is one of ours; what is wrong with it is then said of it as such. */
const isBeatFile = (json: unknown): boolean =>
  typeof json === 'object' && json !== null && 'pebbleLane' in json;
