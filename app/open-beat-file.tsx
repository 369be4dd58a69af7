'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { BeatPlan } from '@/core/formats/index';
import { clientId } from '@/sync/client-id';
import { api } from '@/sync/client';
import { Button } from '@/ui/button';
import { TextInput } from '@/ui/input';
import panel from '../ui/panel.module.css';
import { FileDrop } from '@/ui/file-drop';

/** Takes a beat file, or the invented practice beat. Every problem of a bad file is listed; nothing is kept of it. */
export function OpenBeatFile({ empty }: { empty: boolean }) {
  const router = useRouter();
  const [stream, setStream] = useState('');
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const [partial, setPartial] = useState<BeatPlan | null>(null);

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
    if (reply.kind === 'refused') {
      const { readBeat } = await import('@/core/formats/index');
      const read = readBeat(file);
      setPartial(read.ok ? null : read.partial);
    }
    setBusy(false);
  }

  /** What could be read is kept as a survey in the making; what could not is named above. */
  async function openPartial(plan: BeatPlan) {
    const id = clientId();
    const reply = await api.saveDraft(id, {
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
    try {
      await keep(JSON.parse(await file.text()), stream.trim());
    } catch {
      setProblem(`"${file.name}" is not JSON. A beat file is GeoJSON with a pebbleLane header.`);
    }
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
        label="Beat file (GeoJSON)"
        accept=".json,.geojson,application/geo+json,application/json"
        disabled={busy}
        onFile={(file) => void choose(file)}
      />
      <p role="alert" className={panel.problem}>
        {problem}
      </p>
      {partial && (
        <Button voice="line" onClick={() => void openPartial(partial)}>
          Open what is good of it as a draft
        </Button>
      )}
    </form>
  );
}
