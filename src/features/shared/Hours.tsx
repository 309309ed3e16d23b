import { type WeekHours } from '../../core/share/types.ts';
import { showDay } from '../../ui/dates.ts';
import { Proposals, type ProposalWords, type Take } from './Proposals.tsx';

const WIDTH = 200;
const ROW = 26;
const LEFT = 66;

/** Hours that endings take, week by week, against the hours there are. */
export function Hours({
  weeks,
  have,
  busy,
  words,
  take,
}: {
  weeks: WeekHours[];
  have: number;
  busy: boolean;
  words: ProposalWords;
  take: Take;
}) {
  const worth = weeks.filter((w) => w.hours >= LEAST_H);
  if (worth.length === 0) return null;
  const most = Math.max(have, ...worth.map((w) => w.hours)) || 1;
  const x = (h: number) => (h / most) * WIDTH;
  const over = worth.filter((w) => w.hours > have);
  return (
    <section aria-labelledby="hours-title">
      <h2 id="hours-title" className="font-display text-xl font-bold">
        Hours
      </h2>
      <p>
        {over.length === 0
          ? `The endings never ask for more than the ${have} hours a week there are.`
          : `In ${over.length === 1 ? `the week of ${showDay(over[0]!.monday)}` : `${over.length} weeks`} the endings ask for more than the ${have} hours there are.`}
      </p>
      {over.map(
        (w) =>
          w.proposals && (
            <section key={w.monday} aria-label={`Week of ${showDay(w.monday)}`} className="mt-3">
              <p className="font-semibold">
                Week of {showDay(w.monday)}: {w.hours.toFixed(1)} hours, beds {w.beds.join(', ')}.
              </p>
              {w.proposals.length === 0 && !busy ? (
                <p>No other day or way was found that helps: ask for help, or let a bed wait.</p>
              ) : (
                <Proposals proposals={w.proposals} words={words} take={take} />
              )}
            </section>
          ),
      )}
      <svg
        width={LEFT + WIDTH + 60}
        height={worth.length * ROW + 26}
        role="img"
        aria-label={worth
          .map((w) => `week of ${showDay(w.monday)}: ${w.hours.toFixed(1)} hours, beds ${w.beds.join(', ')}`)
          .join('; ')}
      >
        {worth.map((w, i) => (
          <g key={w.monday}>
            <text x={LEFT - 8} y={i * ROW + 40} fontSize={13} fill="var(--color-bark)" textAnchor="end">
              {showDay(w.monday)}
            </text>
            <rect
              x={LEFT}
              y={i * ROW + 28}
              width={Math.max(2, x(w.hours))}
              height={16}
              fill={w.hours > have ? 'var(--color-madder)' : '#c8962f'}
            />
            <text
              x={LEFT + Math.max(2, x(w.hours)) + 6}
              y={i * ROW + 41}
              fontSize={13}
              fontWeight={600}
              fill="var(--color-walnut)"
            >
              {w.hours.toFixed(1)} h
            </text>
          </g>
        ))}
        <path
          d={`M${LEFT + x(have)} 20V${worth.length * ROW + 26}`}
          stroke="var(--color-walnut)"
          strokeDasharray="4 3"
        />
        <text x={LEFT + x(have)} y={14} fontSize={13} fill="var(--color-walnut)" textAnchor="middle">
          you have {have}
        </text>
      </svg>
    </section>
  );
}

/** A week with less is not worth a line. */
const LEAST_H = 0.1;
