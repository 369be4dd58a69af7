'use client';

import {
  QueryClient,
  QueryClientProvider,
  useMutation,
  useQuery,
  useQueryClient,
} from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import type { Settings } from '../core/log/index';
import { api, type SolveJob } from './api';
import { type Reply } from './client';

/** Between two looks at what the server is solving, ms. */
const LOOK_MS = 1500;

/**
 * What a page knows of the server, shared by its parts. The network may be gone: it is always tried. Pages
 * of the bank go without it, and without its weight: what they change goes through the queue.
 */
export function QueryProvider({ children }: { children: ReactNode }) {
  const [client] = useState(
    () =>
      new QueryClient({
        defaultOptions: {
          queries: { networkMode: 'always', retry: 1, staleTime: LOOK_MS },
          mutations: { networkMode: 'always' },
        },
      }),
  );
  return <QueryClientProvider client={client}>{children}</QueryClientProvider>;
}

/** A refusal as an error, for those that wait for a value. */
async function valueOrThrow<T>(reply: Promise<Reply<T>>): Promise<T> {
  const said = await reply;
  if (!said.ok) throw new Error(said.message);
  return said.value;
}

const SOLVES = ['solves'];

/** What the program solves in the background, looked at while anything is; and a way to stop it all. */
export function useSolves() {
  const client = useQueryClient();
  const jobs = useQuery({
    queryKey: SOLVES,
    queryFn: () => valueOrThrow(api.solves()),
    select: (all) => all.filter((j) => j.state === 'waiting' || j.state === 'solving'),
    refetchInterval: (query) =>
      query.state.data?.some((j) => j.state === 'waiting' || j.state === 'solving')
        ? LOOK_MS
        : false,
  });
  const open = jobs.data ?? [];
  return {
    open,
    async stopAll() {
      await Promise.all(open.map((j) => api.stopSolve(j.hash)));
      client.setQueryData<SolveJob[]>(SOLVES, (jobs) =>
        jobs?.map((j) => (open.some((o) => o.hash === j.hash) ? { ...j, state: 'stopped' } : j)),
      );
    },
  };
}

/** Changes settings at once and says when they are kept, or why not. */
export function useChangeSettings() {
  return useMutation({
    mutationFn: ({ change, before }: { change: Partial<Settings>; before: Settings }) =>
      valueOrThrow(api.changeSettings(change, before)),
  });
}
