'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { clientId } from '@/sync/client-id';
import { api } from '@/sync/api';
import { problemOf } from '@/sync/client';
import { Button } from '@/ui/button';
import { ButtonLink } from '@/ui/button-link';
import { Menu } from '@/ui/menu';
import { FormText, useSchemaForm } from '@/ui/schema-form';
import { someWords } from '@/words/form-schemas';
import { object } from 'yup';
import css from './start.module.css';
import panel from '../ui/panel.module.css';

interface ToolBeat {
  id: string;
  name: string;
  madeBy: 'sketch' | 'survey';
  putAway: boolean;
  /** It lies somewhere on the map. */
  hasPlace: boolean;
}

/** What can be done with one beat of the book. Deleting can be taken back. */
export function BeatTools({ beat }: { beat: ToolBeat }) {
  const router = useRouter();
  const [renaming, setRenaming] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const change = async (body: Parameters<typeof api.changeBeat>[1]) => {
    const said = problemOf(await api.changeBeat(beat.id, body));
    setProblem(said);
    if (!said) {
      setRenaming(false);
      router.refresh();
    }
  };
  const copy = async () => {
    const said = problemOf(await api.copyBeat(beat.id, clientId()));
    setProblem(said);
    router.refresh();
  };
  return (
    <div className={css.beatTools} role="group" aria-label={`${beat.name}: change`}>
      {renaming ? (
        <RenameField
          label="New name of the beat"
          name={beat.name}
          onKeep={(name) => void change({ name })}
          onLeave={() => setRenaming(false)}
        />
      ) : (
        <>
          <ButtonLink voice="plain" href={`/make/${beat.madeBy}?beat=${beat.id}`} prefetch={false}>
            Change the {beat.madeBy}
          </ButtonLink>
          <Menu
            label={`More for ${beat.name}`}
            items={[
              { id: 'rename', name: 'Rename', onChoose: () => setRenaming(true) },
              { id: 'copy', name: 'Copy', onChoose: () => void copy() },
              ...(beat.hasPlace
                ? [
                    {
                      id: 'map',
                      name: 'For a map (GeoJSON)',
                      href: `/api/v1/beats/${beat.id}/file`,
                    },
                  ]
                : []),
              {
                id: 'file',
                name: 'Beat file, in metres',
                href: `/api/v1/beats/${beat.id}/file?frame=plan`,
              },
              {
                id: 'away',
                name: beat.putAway ? 'Take out again' : 'Put away',
                onChoose: () => void change({ putAway: !beat.putAway }),
              },
              { id: 'delete', name: 'Delete', onChoose: () => void change({ deleted: true }) },
            ]}
          />
        </>
      )}
      {problem && (
        <span role="alert" className={panel.problem}>
          {problem}
        </span>
      )}
    </div>
  );
}

export function StreamName({ id, name }: { id: string; name: string }) {
  const router = useRouter();
  const [renaming, setRenaming] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const keep = async (to: string) => {
    const said = problemOf(await api.renameStream(id, to));
    setProblem(said);
    if (!said) {
      setRenaming(false);
      router.refresh();
    }
  };
  return (
    <h2 className={css.streamName}>
      {renaming ? (
        <RenameField
          label="New name of the stream"
          name={name}
          onKeep={(n) => void keep(n)}
          onLeave={() => setRenaming(false)}
        />
      ) : (
        <>
          {name}{' '}
          <Button voice="plain" aria-label={`Rename ${name}`} onClick={() => setRenaming(true)}>
            Rename
          </Button>
        </>
      )}
      {problem && (
        <span role="alert" className={panel.problem}>
          {problem}
        </span>
      )}
    </h2>
  );
}

function RenameField({
  label,
  name,
  onKeep,
  onLeave,
}: {
  label: string;
  name: string;
  onKeep: (name: string) => void;
  onLeave: () => void;
}) {
  const form = useSchemaForm(
    object({ name: someWords(label, 120, 'Give it a name, or press Escape.') }),
    { name },
  );
  return (
    <form className={css.rename} onSubmit={(e) => void form.handleSubmit((v) => onKeep(v.name))(e)}>
      <FormText
        form={form}
        name="name"
        label={label}
        hideLabel
        focused
        maxLength={120}
        onLeave={onLeave}
      />
      <Button voice="plain" type="submit">
        Keep the name
      </Button>
    </form>
  );
}
