import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { climates, crops, findWay, membersOf, methods } from '../../catalogue/catalogue.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { chooseAll } from '../../core/choose/rounds.ts';
import { type Sample } from '../../core/choose/sample.ts';
import { siteFromPattern } from '../../core/climate/pattern.ts';
import { answer } from './answer.ts';
import { type FromWorker, type ToWorker } from './protocol.ts';

/** A worker of the same thread: what it is asked is worked out by the real core, and messages take their turn as a browser's do. */
class InThread {
  static made: InThread[] = [];
  static heard: ToWorker[] = [];
  onmessage: ((e: { data: FromWorker }) => void) | null = null;
  onerror: (() => void) | null = null;
  private readonly off = new Set<number>();
  /** Covers to settle that it has now, and the most it ever had. */
  inHand = 0;
  most = 0;
  constructor() {
    InThread.made.push(this);
  }
  postMessage(m: ToWorker): void {
    InThread.heard.push(m);
    if (m.type === 'cancel') return void this.off.add(m.id);
    if (m.kind === 'settle') this.most = Math.max(this.most, ++this.inHand);
    setImmediate(
      () =>
        void answer(
          m,
          (said) => {
            if (m.kind === 'settle' && said.type === 'answer') this.inHand--;
            setImmediate(() => this.onmessage?.({ data: said }));
          },
          () => this.off.has(m.id),
          () => new Promise((next) => setImmediate(next)),
        ),
    );
  }
}

const candidates = ['spring-oats', 'phacelia', 'cereal-rye', 'white-mustard', 'buckwheat'].map((id) => ({
  id,
  name: id,
  members: membersOf([{ speciesId: id, share: 1 }]),
}));
const input = {
  site: siteFromPattern(climates[0]!),
  soil: { texture: 'loam', fertility: 'fair' } as const,
  way: findWay('raked')!,
  watered: true,
  gap: {
    freeDay: dayOf('2026-09-08'),
    plantDay: dayOf('2026-12-20'),
    next: { ...crops[0]!, way: 'transplant' as const },
  },
  candidates,
  methods: methods.map((m) => ({ id: m.id, passes: m.passes, minutesPer100m2: 30, missing: [] })),
  aims: [{ id: 'hold', strands: 2 }],
  bed: { families: [], troubles: [], shade: 'open' as const, surface: 'clean' as const },
  keepsSafe: [],
  hazards: {},
  years: 40,
};
const turns = (n: number) =>
  Array.from({ length: n }).reduce<Promise<void>>(
    (before) => before.then(() => new Promise((next) => setImmediate(next))),
    Promise.resolve(),
  );
const byId = (samples: Sample[]) => [...samples].sort((a, b) => a.id.localeCompare(b.id));

// Loaded after the stand-in, as the page's worker is there before its client.
let client: Awaited<ReturnType<typeof load>>;
const load = () => import('./client.ts');
const real = globalThis.Worker;
beforeEach(async () => {
  globalThis.Worker = InThread as never;
  client = await load();
  InThread.heard = [];
});
afterEach(() => {
  globalThis.Worker = real;
});

test('the two that are asked first are started when they are woken, once, and asked then', async () => {
  client.wakeWorkers();
  client.wakeWorkers();
  expect(InThread.made).toHaveLength(2);
  const place = { patternId: climates[0]!.id, latitude_deg: 50 };
  await Promise.all([client.ask('fitPattern', place).answer, client.ask('fitPattern', place).answer]);
  expect(InThread.made).toHaveLength(2);
});

describe('a whole gap asked of two workers', () => {
  test('gives what one hand gives: the same samples, dates and odds, settled on all years where they lead', async () => {
    const parts: [string, number, number][] = [];
    const job = client.askChoose(input, (s, done, total) => parts.push([s.id, done, total]));
    const r = await job.answer;
    if (!r.ok) throw new Error(r.failure.code);
    // Reasons and figures cross as plain data; `undefined` does not.
    expect(JSON.stringify(byId(r.value))).toBe(JSON.stringify(byId(chooseAll(input))));
    expect(r.value.every((s) => s.years === 40)).toBe(true);
    const asked = InThread.heard.flatMap((m) => (m.type === 'ask' ? [m] : []));
    expect(asked.slice(0, 2).map((m) => m.kind)).toEqual(['choose', 'choose']);
    // Every cover in doubt is handed to one worker, once, and with nothing beside it.
    const handed = asked.slice(2).map((m) => (m.kind === 'settle' ? m.input : undefined)!);
    expect(handed.map((h) => h.hints.map((x) => [x.id, x.years])).sort()).toEqual(
      candidates.map((c) => [[c.id, 40]]).sort(),
    );
    for (const h of handed) expect(h.asked.candidates.map((c) => c.id)).toEqual(h.hints.map((x) => x.id));
    const first = asked.slice(0, 2).flatMap((m) => (m.kind === 'choose' ? m.input.candidates : []));
    expect(first.map((c) => c.id).sort()).toEqual(candidates.map((c) => c.id).sort());
    // Progress never runs back, and ends with all covers and all that were settled.
    for (let i = 1; i < parts.length; i++) expect(parts[i]![1]).toBeGreaterThanOrEqual(parts[i - 1]![1]);
    expect(parts.at(-1)!.slice(1)).toEqual([10, 10]);
  });

  test('a worker has two covers in hand and the rest waits for whoever is free', async () => {
    await client.askChoose(input, () => undefined).answer;
    const used = InThread.made.filter((w) => w.most > 0);
    expect(used.map((w) => [w.most, w.inHand])).toEqual([
      [2, 0],
      [2, 0],
    ]);
  });

  test('called off, it says no more: not even what was on its way', async () => {
    const heard: string[] = [];
    const job = client.askChoose(input, (s) => {
      heard.push(s.id);
      if (heard.length === 1) job.cancel();
    });
    const r = await job.answer;
    expect(r.ok ? '' : r.failure.code).toBe('cancelled');
    await turns(50);
    expect(heard).toHaveLength(1);
    expect(InThread.heard.filter((m) => m.type === 'ask' && m.kind === 'settle')).toEqual([]);
  });

  test('a gap that is worked out ahead comes to what is asked for, and whatever is asked meanwhile calls it off', async () => {
    const ahead = await client.foresee(input);
    const asked = await client.askChoose(input, () => undefined).answer;
    expect(byId(ahead.ok ? ahead.value : [])).toEqual(byId(asked.ok ? asked.value : [1 as never]));
    const place = { patternId: climates[0]!.id, latitude_deg: 50 };
    const interrupts = [
      () => client.ask('fitPattern', place).answer,
      () => client.askQuick('fitPattern', place).answer,
      () => client.askInParts('fitPattern', place, () => undefined).answer,
      () => client.askChoose(input, () => undefined).answer,
      () => client.foresee(input),
    ];
    for (const interrupt of interrupts) {
      const called = client.foresee(input);
      await turns(3);
      const other = interrupt();
      expect(await called).toMatchObject({ ok: false, failure: { code: 'cancelled' } });
      expect((await other).ok).toBe(true);
    }
  });

  test('a worker that cannot load says so, and the next question starts another', async () => {
    const job = client.askChoose(input, () => undefined);
    const before = InThread.made.length;
    InThread.made.forEach((w) => w.onerror?.());
    const r = await job.answer;
    expect(r.ok ? '' : r.failure.code).toBe('worker-lost');
    const again = await client.ask('fitPattern', { patternId: climates[0]!.id, latitude_deg: 50 }).answer;
    expect(again.ok).toBe(true);
    expect(InThread.made.length).toBeGreaterThan(before);
  });
});
