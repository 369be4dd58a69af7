'use client';

import { useEffect, useState } from 'react';

interface Job {
  hash: string;
  beatId: string;
  level: string;
  state: 'waiting' | 'solving' | 'done' | 'failed' | 'stopped';
  progress: number;
}

const LOOK_MS = 1500;

/** What the program is solving in the background, and how far; each can be stopped. */
export function SolveWatch({ names }: { names: Record<string, string> }) {
  const [jobs, setJobs] = useState<Job[]>([]);
  useEffect(() => {
    let timer = 0;
    let left = false;
    const look = async () => {
      const response = await fetch('/api/v1/solves').catch(() => null);
      if (left) return;
      const all = response?.ok ? ((await response.json()) as Job[]) : [];
      if (left) return;
      setJobs(all);
      if (all.some((j) => j.state === 'waiting' || j.state === 'solving'))
        timer = window.setTimeout(() => void look(), LOOK_MS);
    };
    void look();
    return () => {
      left = true;
      window.clearTimeout(timer);
    };
  }, []);
  const open = jobs.filter((j) => j.state === 'waiting' || j.state === 'solving');
  if (open.length === 0) return null;
  const now = open.find((j) => j.state === 'solving') ?? open[0]!;
  const stopAll = () =>
    void Promise.all(
      open.map((j) => fetch(`/api/v1/solves?hash=${j.hash}`, { method: 'DELETE' })),
    ).then(() => setJobs([]));
  return (
    <p className="solve-watch" role="status">
      Making the water ready in the background: {names[now.beatId] ?? 'a beat'}, {now.level},{' '}
      {Math.round(100 * now.progress)} %{open.length > 1 && `, ${open.length - 1} more to come`}.{' '}
      <button type="button" className="plain" onClick={stopAll}>
        Stop it
      </button>
    </p>
  );
}
