'use client';

import {
  QueryClient,
  QueryClientProvider,
  useMutation,
  useQuery,
  useQueryClient,
} from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import type { KeptRead, Settings } from '../core/log/index';
import { api, changes, type Reply, type SolveJob } from './client';
import { pageQueue } from './page-queue';

/** Between two looks at what the server is solving, ms. */
const LOOK_MS = 1500;

/** What pages know of the server, shared by all their parts. The network may be gone: it is always tried. */
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

const READS = ['reads'];

/** Quick reads of the book and of this device: shown at once, kept by the queue. */
export function useReads(fromBook: readonly KeptRead[]) {
  const client = useQueryClient();
  const { data: reads } = useQuery({
    queryKey: READS,
    queryFn: () => [...fromBook],
    initialData: [...fromBook],
    staleTime: Infinity,
  });
  const put = (change: (reads: KeptRead[]) => KeptRead[]) =>
    client.setQueryData<KeptRead[]>(READS, (now) => change(now ?? []));
  return {
    reads,
    add(read: KeptRead) {
      put((now) => [read, ...now]);
      void pageQueue().post(changes.putRead(read));
    },
    replace(read: KeptRead) {
      put((now) => now.map((r) => (r.id === read.id ? read : r)));
      void pageQueue().post(changes.putRead(read));
    },
    drop(id: string) {
      put((now) => now.filter((r) => r.id !== id));
      void pageQueue().post(changes.dropRead(id));
    },
  };
}

/** Changes settings at once and says when they are kept, or why not. */
export function useChangeSettings() {
  return useMutation({
    mutationFn: (change: Partial<Settings>) => valueOrThrow(api.changeSettings(change)),
  });
}
