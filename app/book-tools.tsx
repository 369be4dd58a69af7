'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { api } from '@/sync/api';
import { bookApi, type RestoreReport } from '@/sync/book-api';
import { problemOf } from '@/sync/client';
import { Button, ButtonAnchor } from '@/ui/button';
import { ButtonLink } from '@/ui/button-link';
import panel from '../ui/panel.module.css';
import css from './start.module.css';
import { FileDrop } from '@/ui/file-drop';

const TABLE_WORDS: Record<string, string> = {
  settings: 'settings',
  streams: 'streams',
  beats: 'beats',
  beat_versions: 'older plans',
  drafts: 'drafts',
  photos: 'photographs',
  marks: 'marks',
  outings: 'outings',
  tries: 'tries',
  try_events: 'events',
};

/** Settings, backup and restore, and what was deleted. */
export function BookTools({ deleted }: { deleted: readonly { id: string; name: string }[] }) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const takeBack = async (id: string) => {
    setProblem(problemOf(await api.changeBeat(id, { deleted: false })));
    router.refresh();
  };
  return (
    <div>
      <p className={panel.row}>
        <ButtonLink voice="line" href="/settings">
          Settings
        </ButtonLink>
        <ButtonAnchor voice="line" href="/api/v1/book" download>
          Back the book up
        </ButtonAnchor>
      </p>
      <Restore onDone={() => router.refresh()} />
      {deleted.length > 0 && (
        <ul className={css.drafts} aria-label="Deleted beats">
          {deleted.map((b) => (
            <li key={b.id}>
              {b.name} was deleted.{' '}
              <Button
                voice="plain"
                aria-label={`Take it back: ${b.name}`}
                onClick={() => void takeBack(b.id)}
              >
                Take it back
              </Button>
            </li>
          ))}
        </ul>
      )}
      {problem && (
        <p role="alert" className={panel.problem}>
          {problem}
        </p>
      )}
    </div>
  );
}

/** A dry run first: what would be taken, what is here already; then, asked again, for good. */
function Restore({ onDone }: { onDone: () => void }) {
  const [file, setFile] = useState<File | null>(null);
  const [report, setReport] = useState<RestoreReport | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const run = async (chosen: File, dry: boolean) => {
    setProblem(null);
    setBusy(true);
    const reply = await bookApi.restoreBook(chosen, dry);
    setBusy(false);
    if (!reply.ok) {
      setProblem(reply.message);
      return;
    }
    setReport(reply.value);
    if (!dry) {
      setFile(null);
      onDone();
    }
  };
  const choose = async (chosen: File) => {
    setFile(chosen);
    setReport(null);
    await run(chosen, true);
  };
  const changes = report?.tables.filter((t) => t.taken + t.known + t.differing > 0) ?? [];
  return (
    <div className={css.restore}>
      <FileDrop
        label="Restore from a backup (it is tried out first)"
        accept=".zip,.json,application/zip,application/json"
        onFile={(chosen) => void choose(chosen)}
      />
      {busy && <p role="status">Looking through it. A large book takes minutes.</p>}
      {report && (
        <div role="status">
          <strong>
            {report.dry ? 'Tried out, nothing taken yet. It would take:' : 'Restored. It took:'}
          </strong>
          <ul>
            {changes.length === 0 && <li>nothing: the backup is empty</li>}
            {changes.map((t) => (
              <li key={t.table}>
                {t.taken} {TABLE_WORDS[t.table] ?? t.table}
                {t.known > 0 && `, ${t.known} here already`}
                {t.differing > 0 && `, ${t.differing} here in another state and left as they are`}
                {t.unreadable.length > 0 &&
                  `; of these ${t.unreadable.length === 1 ? 'one' : t.unreadable.length} cannot be read (${t.unreadable[0]!.id}: ${t.unreadable[0]!.why}) and will be named above`}
              </li>
            ))}
          </ul>
          {report.dry && file && (
            <Button voice="solid" disabled={busy} onClick={() => void run(file, false)}>
              Restore it
            </Button>
          )}
        </div>
      )}
      {problem && (
        <p role="alert" className={panel.problem}>
          {problem}
        </p>
      )}
    </div>
  );
}
