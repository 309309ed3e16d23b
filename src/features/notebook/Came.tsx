import { TRIMS } from '../../core/termination/method.ts';
import { useMemo, useState } from 'react';
import { coverTitle } from '../../catalogue/catalogue.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { type CameOf } from '../../core/learn/came.ts';
import { ok } from '../../core/result/result.ts';
import { showPerArea, type UnitChoice } from '../../core/units/show.ts';
import { livedThrough } from '../../questions/learn.ts';
import { changeCover } from '../../records/commands/change.ts';
import type { Cover } from '../../records/types.ts';
import { useAnswer } from '../../ring/answers.ts';
import { useGarden } from '../../ring/garden.tsx';
import { CommittedField } from '../../ui/CommittedField.tsx';
import { showDay, showIsoYear } from '../../ui/dates.ts';

const endOf = (c: Cover): string => c.endedOn ?? c.passes.findLast((p) => p.doneOn)?.doneOn ?? '';

/** What came of every cover that has been ended, pair by pair, with the likeliest causes and a line for the next time. */
export function Came() {
  const { covers, beds, looks } = useGarden();
  const ended = covers
    .filter((c) => c.sownOn && c.passes.some((p) => p.doneOn && !TRIMS.has(p.kind)))
    .sort((a, b) => endOf(b).localeCompare(endOf(a)));
  const [open, setOpen] = useState<string | null>(null);
  // The last one that somebody looked at has something to tell.
  const seen = new Set(looks.map((l) => l.coverId));
  const shown = open ?? (ended.find((c) => seen.has(c.id)) ?? ended[0])?.id;
  if (ended.length === 0)
    return (
      <p>
        When the first cover has been ended, what was expected of it and what came stand here side by side.
      </p>
    );
  return (
    <ul>
      {ended.map((c) => (
        <li key={c.id} className="border-linen border-t">
          <button
            type="button"
            className="flex w-full flex-wrap items-baseline gap-x-4 py-2 text-left"
            aria-expanded={shown === c.id}
            onClick={() => setOpen(shown === c.id ? '' : c.id)}
          >
            <span className="font-display text-lg font-bold">
              Bed {beds.find((b) => b.id === c.bedId)?.name}
            </span>
            <span className="font-semibold">{coverTitle(c)}</span>
            <span className="text-bark">
              {showIsoYear(c.sownOn!)} to {showIsoYear(endOf(c))}
            </span>
          </button>
          {shown === c.id && <One cover={c} />}
        </li>
      ))}
    </ul>
  );
}

function One({ cover }: { cover: Cover }) {
  const ring = useGarden();
  const { garden, plantings, today, hands, run } = ring;
  const asked = useMemo(() => livedThrough(ring, cover, today), [ring, cover, today]);
  const { answer } = useAnswer(
    'came',
    useMemo(() => (asked ? JSON.stringify(asked) : ''), [asked]),
  );
  const { predicted } = cover;
  const planted = plantings.find((p) => p.id === cover.nextPlantingId)?.plantedOn;
  const pairs: Pair[] = [...(answer ?? []).map((c) => pairOf(c, garden.units))];
  if (predicted?.dead.low && predicted.dead.high && cover.verdict === 'dead' && cover.endedOn)
    pairs.push({
      title: 'Dead',
      low: dayOf(predicted.dead.low),
      mid: dayOf(predicted.dead.mid ?? predicted.dead.low),
      high: dayOf(predicted.dead.high),
      seen: dayOf(cover.endedOn),
      show: showDay,
      why: '',
    });
  if (predicted?.ready.low && predicted.ready.high && planted)
    pairs.push({
      title: 'Ready, planted',
      low: dayOf(predicted.ready.low),
      mid: dayOf(predicted.ready.mid ?? predicted.ready.low),
      high: dayOf(predicted.ready.high),
      seen: dayOf(planted),
      show: showDay,
      why: '',
    });
  const minutes = cover.passes.reduce((s, p) => s + (p.minutes ?? 0), 0);
  const expected = cover.passes.reduce((s, p) => s + (p.minutes === undefined ? 0 : (p.expected ?? 0)), 0);
  return (
    <div className="pb-4">
      {asked && !answer && <p role="status">Growing it again…</p>}
      {pairs.length === 0 && (!asked || answer) && (
        <p>Nobody looked at it, so there is nothing to hold beside what was expected.</p>
      )}
      <dl>
        {pairs.map((p) => (
          <PairRow key={p.title} pair={p} />
        ))}
        {minutes > 0 && (
          <div className="py-1">
            <dt className="inline font-semibold">Work: </dt>
            <dd className="inline">
              {minutes} min{expected > 0 && `, ${Math.round(expected)} were worked out`}
            </dd>
          </div>
        )}
      </dl>
      <div className="mt-2 max-w-xl">
        <CommittedField
          label="Next time"
          hint="Comes back when this bed or this kind is chosen for."
          shown={cover.note}
          read={(text) => ok(text.slice(0, 4000))}
          onCommit={(note) =>
            void run(changeCover(hands, cover, 'next-time', 'a line for the next time', () => ({ note })))
          }
        />
      </div>
    </div>
  );
}

interface Pair {
  title: string;
  low: number;
  mid: number;
  high: number;
  seen: number;
  show(x: number): string;
  why: string;
}

/** Under so much a cause is not named: a day, or this share of what was expected. */
const NAMED_D = 1.5;
const NAMED_SHARE = 0.05;
const TITLES: Record<CameOf['what'], string> = {
  up: 'Up',
  flower: 'In flower',
  bulk: 'Bulk at its end, by your looks',
};

function pairOf(c: CameOf, units: UnitChoice): Pair {
  const days = c.what !== 'bulk';
  const least = days ? NAMED_D : Math.max(10, c.expected.mid * NAMED_SHARE);
  const by = (x: number) =>
    days
      ? `${Math.abs(Math.round(x))} d ${x < 0 ? 'sooner' : 'later'}`
      : `${showPerArea(Math.abs(x), units)} ${x < 0 ? 'less' : 'more'}`;
  const causes = (
    [
      ['the seed that was thrown', c.causes.rate],
      ['how old the seed was', c.causes.age],
      ['the day it was sown', c.causes.date],
      ['the weather that came', c.causes.weather],
      ['kind, ground, hand or chance', c.causes.rest],
    ] as const
  )
    .filter(([, x]) => Math.abs(x) >= least)
    .sort((a, b) => Math.abs(b[1]) - Math.abs(a[1]));
  return {
    title: TITLES[c.what],
    ...c.expected,
    seen: c.seen,
    show: days ? showDay : (x) => showPerArea(x, units),
    why: causes.map(([words, x]) => `${words}: ${by(x)}`).join('; '),
  };
}

const WIDE = 300;

/** A range that was expected with its middle, and what was seen as a dot. */
function PairRow({ pair: p }: { pair: Pair }) {
  const low = Number.isFinite(p.low) ? p.low : p.mid;
  const high = Number.isFinite(p.high) ? p.high : p.mid;
  const [from, to] = [Math.min(low, p.seen), Math.max(high, p.seen)];
  const pad = Math.max(1, (to - from) * 0.12);
  const x = (v: number) => 8 + ((v - from + pad) / (to - from + 2 * pad)) * (WIDE - 16);
  const inside = p.seen >= low && p.seen <= high;
  return (
    <div className="grid items-center gap-x-4 py-1 sm:grid-cols-[9rem_300px_1fr]">
      <dt className="font-semibold">{p.title}</dt>
      <dd>
        <svg width={WIDE} height={24} aria-hidden="true" className="max-w-full">
          <rect
            x={x(low)}
            y={6}
            width={Math.max(3, x(high) - x(low))}
            height={12}
            fill="var(--color-linen)"
          />
          <path d={`M${x(p.mid)} 3V21`} stroke="var(--color-bark)" strokeWidth={1.5} />
          <circle
            cx={x(p.seen)}
            cy={12}
            r={5.5}
            fill={inside ? 'var(--color-leaf)' : 'var(--color-madder)'}
          />
        </svg>
      </dd>
      <dd>
        expected {p.show(Math.round(p.mid))} ({p.show(Math.round(low))} to {p.show(Math.round(high))}), seen{' '}
        <b>{p.show(Math.round(p.seen))}</b>
        {p.why && <span className="text-bark block">{p.why}</span>}
      </dd>
    </div>
  );
}
