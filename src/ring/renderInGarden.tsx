import { QueryClientProvider } from '@tanstack/react-query';
import { configure, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { readFileSync } from 'node:fs';
import { type ReactElement, type ReactNode } from 'react';
import { MemoryRouter, Route, Routes } from 'react-router';
import { type Failure } from '../core/result/result.ts';
import { bringBack, readGardenFile } from '../records/files/gardenFile.ts';
import { type Kept } from '../records/verbs/verbs.ts';
import { answer } from '../workers/core/answer.ts';
import { type FromWorker, type ToWorker } from '../workers/core/protocol.ts';
import { answers } from './answers.ts';
import { GardenRing, hands } from './garden.tsx';

// For tests of components: a demo garden in a real store, with the core answering in the same thread.

configure({
  // What was looked for is said; the page as it stood would bury it.
  getElementError: (message) => new Error((message ?? '').split('\n')[0]),
  // The core answers in the same thread, and busy cores take their time.
  asyncUtilTimeout: 30_000,
});

/** A worker of the same thread. */
class InThread {
  onmessage: ((e: { data: FromWorker }) => void) | null = null;
  onerror: (() => void) | null = null;
  postMessage(m: ToWorker): void {
    if (m.type !== 'ask') return;
    setTimeout(
      () =>
        void answer(
          m,
          (said) => setTimeout(() => this.onmessage?.({ data: said }), 0),
          () => false,
          () => new Promise((next) => setTimeout(next, 0)),
        ),
      0,
    );
  }
  terminate(): void {
    this.onmessage = null;
  }
}

export const demoGarden = (name = 'north-shore'): Kept => {
  const read = readGardenFile(readFileSync(`demo/${name}.kilim.json`, 'utf8'));
  if (!read.ok) throw new Error(read.failure.code);
  return read.value;
};

/** Clears what an earlier test left, and brings the garden in. */
async function begin(kept: Kept): Promise<void> {
  globalThis.Worker = InThread as never;
  answers.clear();
  const { db } = hands;
  await Promise.all([...db.tables].map((t) => t.clear()));
  const brought = await bringBack(db, kept);
  if (!brought.ok) throw new Error(brought.failure.code);
}

interface Shown {
  user: ReturnType<typeof userEvent.setup>;
  failures: Failure[];
  /** What is in the store now. */
  db: typeof hands.db;
  unmount(): void;
}

const Around = ({ path, children }: { path: string; children: ReactNode }) => (
  <QueryClientProvider client={answers}>
    <MemoryRouter initialEntries={[path]}>{children}</MemoryRouter>
  </QueryClientProvider>
);

/** Shows a screen or a part of one in a garden, and waits until the garden is open. @param pattern route that the part hangs on, where it reads the address */
export async function renderInGarden(
  what: ReactElement,
  { kept = demoGarden(), path = '/', pattern = '*', again = false } = {},
): Promise<Shown> {
  if (!again) await begin(kept);
  const failures: Failure[] = [];
  const { unmount } = render(
    <Around path={path}>
      <GardenRing
        gardenId={kept.garden.id}
        tell={(f) => failures.push(f)}
        wentWell={() => undefined}
        saved={() => undefined}
        missing={<p>no garden</p>}
        waiting={<p>waiting</p>}
      >
        <p hidden>garden is open</p>
        <Routes>
          <Route path={pattern} element={what} />
        </Routes>
      </GardenRing>
    </Around>,
  );
  await screen.findByText('garden is open');
  return { user: userEvent.setup(), failures, db: hands.db, unmount };
}

/** Shows what stands outside of any garden, such as the first screen. */
export async function renderOutside(what: ReactElement, kept?: Kept): Promise<Shown> {
  if (kept) await begin(kept);
  else await Promise.all([...hands.db.tables].map((t) => t.clear()));
  const { unmount } = render(<Around path="/">{what}</Around>);
  return { user: userEvent.setup(), failures: [], db: hands.db, unmount };
}
