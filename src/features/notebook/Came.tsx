import { TRIMS } from '../../core/termination/method.ts';
import { useMemo, useState } from 'react';
import { coverTitle, cropOf } from '../../catalogue/catalogue.ts';
import { cropAfter } from '../../core/learn/cropAfter.ts';
import { nextTime } from '../../core/learn/nextTime.ts';
import { ok } from '../../core/result/result.ts';
import { livedThrough } from '../../questions/learn.ts';
import { changeCover } from '../../records/commands/change.ts';
import type { Cover } from '../../records/types.ts';
import { useAnswer } from '../../ring/answers.ts';
import { useGarden } from '../../ring/garden.tsx';
import { CommittedField } from '../../ui/CommittedField.tsx';
import { showIsoYear } from '../../ui/dates.ts';
import { begunLate_d, cropAfterWords, endPairs, nextTimeWords, type Pair, pairOf } from './cameWords.ts';

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
  const { garden, beds, plantings, notes, today, hands, run } = ring;
  const asked = useMemo(() => livedThrough(ring, cover, today), [ring, cover, today]);
  const { answer } = useAnswer(
    'came',
    useMemo(() => (asked ? JSON.stringify(asked) : ''), [asked]),
  );
  const next = plantings.find((p) => p.id === cover.nextPlantingId);
  const ends = endPairs(cover, next?.plantedOn);
  const pairs: Pair[] = [...(answer ?? []).map((c) => pairOf(c, garden.units)), ...ends];
  const brought = useMemo(
    () => next && cropAfter(next, plantings, notes, (id) => beds.find((b) => b.id === id)?.area_m2),
    [next, plantings, notes, beds],
  );
  const lesson =
    asked && answer
      ? nextTime({
          came: answer,
          sownLate_d: asked.asked.sowDay - asked.plannedSowDay,
          begunLate_d: begunLate_d(cover),
          overLate: ends.some((p) => p.seen > p.high),
        })
      : undefined;
  const keep = (note: string) =>
    run(changeCover(hands, cover, 'next-time', 'a line for the next time', () => ({ note })));
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
        {next && brought && (
          <div className="py-1">
            <dt className="inline font-semibold">
              The crop after it, {cropOf(next.cropId).name.toLowerCase()}:{' '}
            </dt>
            <dd className="inline">{cropAfterWords(brought, garden.units)}</dd>
          </div>
        )}
      </dl>
      <div className="mt-2 max-w-xl">
        <CommittedField
          label="Next time"
          hint="Comes back when this bed or this kind is chosen for."
          shown={cover.note}
          read={(text) => ok(text.slice(0, 4000))}
          onCommit={(note) => void keep(note)}
        />
        {lesson && cover.note.trim() === '' && (
          <button
            type="button"
            className="btn mt-2 h-auto py-2 text-left"
            onClick={() => void keep(nextTimeWords(lesson))}
          >
            Keep: {nextTimeWords(lesson)}
          </button>
        )}
      </div>
    </div>
  );
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
        expected {p.show(p.mid)}
        {p.show(low) !== p.show(high) && ` (${p.show(low)} to ${p.show(high)})`}, seen <b>{p.show(p.seen)}</b>
        {p.why && <span className="text-bark block">{p.why}</span>}
      </dd>
    </div>
  );
}
