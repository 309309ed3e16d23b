import { speciesOf } from '../../catalogue/catalogue.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { type Sample } from '../../core/choose/sample.ts';
import { showArea, showDepth } from '../../core/units/show.ts';
import { type FirstAnswer, type FirstSaid } from '../../questions/first.ts';
import { cropOf } from '../../catalogue/catalogue.ts';
import { changeWords } from '../../ui/changeWords.ts';
import { showDay, showIso } from '../../ui/dates.ts';
import { METHOD_SHORT, PASS_WORDS } from '../../ui/methodWords.ts';
import { type Motif } from '../../ui/motifs.ts';
import { packetWords } from '../../ui/packetWords.ts';
import { reasonWords } from '../../ui/reasonWords.ts';
import { Term } from '../../ui/Term.tsx';
import { WeaveDefs, Woven } from '../../ui/Weave.tsx';

const of100 = (odds: number): string => `${Math.round(odds * 100)} years of 100`;

interface Props {
  answer: FirstAnswer;
  sample: Sample;
  better: Sample | null;
  said: FirstSaid;
  today: string;
}

/** The whole season of one bed on one screen: sow, weigh, rake, end, plant, with odds and another way. */
export function TheAnswer({ answer, sample, better, said, today }: Props) {
  const { units } = said;
  const plantDay = dayOf(said.plantOn);
  const crop = cropOf(said.nextId).name.toLowerCase();
  const soon = answer.sowDay - dayOf(today) <= 3;
  const { weigh, more } = packetWords(answer.use, units, said.packet.weight_g !== null);
  const role = speciesOf(sample.lead).role;
  const bands = sample.parts.map((p) => ({ motif: speciesOf(p.speciesId).role, share: p.share }));
  const odds = answer.best?.odds.inTime ?? 0;
  const warn = sample.reasons.filter((r) => WARNS.has(r.code)).slice(0, 2);
  const depth = answer.depth_mm;
  // Cut and planted into on one day: the last step is the planting.
  const atOnce = answer.passes.some((p) => p.kind === 'set-plants');
  const weather = answer.passes.some((p) => p.kind.startsWith('check'));
  return (
    <section aria-label="The answer" aria-live="polite">
      <p className="font-display text-4xl leading-tight font-extrabold">
        {soon ? 'Sow now' : `Sow about ${showDay(answer.sowDay)}`}
      </p>
      <p className={`mt-1 text-lg ${odds < 0.5 ? 'text-madder font-semibold' : ''}`}>
        {answer.best
          ? `Out of the way for ${crop} by ${showDay(plantDay)} in ${of100(odds)}.`
          : 'With these tools there is no way to end it in time.'}
      </p>
      <ol className="mt-4">
        <Stretch motif="bare" title={soon ? 'Now' : showDay(answer.sowDay)} bands={bands}>
          <p>
            <b>Sow.</b> {weigh}.
          </p>
          {more && <p className="text-bark">{more}</p>}
          <p>
            <b>{speciesOf(sample.lead).seed.rakeIn ? 'Rake it in' : 'Firm it down'}</b>{' '}
            {depth.to <= 3
              ? 'lightly'
              : `${showDepth(depth.from, units)} to ${showDepth(depth.to, units)} deep`}
            , tread it firm, and keep the top moist until it is up.
          </p>
        </Stretch>
        {answer.passes.map((p, i) => (
          <Stretch
            key={i}
            motif={i === 0 ? role : 'residue'}
            bands={i === 0 ? bands : undefined}
            last={p.kind === 'set-plants'}
            title={p.kind === 'set-plants' ? 'The same day' : `${weather ? 'By' : 'About'} ${showIso(p.due)}`}
          >
            <p>
              <b>{PASS_WORDS[p.kind]?.title ?? p.kind}.</b> {PASS_WORDS[p.kind]?.how}
            </p>
          </Stretch>
        ))}
        {!atOnce && (
          <Stretch
            motif={answer.passes.some((p) => p.kind === 'lay-sheet') ? 'sheet' : 'residue'}
            title={showDay(plantDay)}
            last
          >
            <p>
              <b>Plant {crop}</b> {said.way === 'seed' ? 'from seed' : 'as young plants'}.
            </p>
          </Stretch>
        )}
      </ol>
      {warn.map((r) => {
        const { lead, rest } = reasonWords(r, units);
        return (
          <p key={r.code} className="border-madder mt-3 border-l-4 pl-3">
            <b>{lead}</b> {rest}
          </p>
        );
      })}
      {answer.other && (
        <p className="border-linen mt-3 border-t pt-3">
          <b>Or another way:</b> {METHOD_SHORT[answer.other.ending.method] ?? answer.other.ending.method},
          begun {showIso(answer.other.passes[0]!.due)}: ready in {of100(answer.other.ending.odds.inTime)}.
        </p>
      )}
      {odds < 0.5 && sample.changes.length > 0 && (
        <ul className="mt-3 list-inside list-disc">
          {sample.changes.map((c) => (
            <li key={c.kind}>{changeWords(c, sample, plantDay)}</li>
          ))}
        </ul>
      )}
      {better && (
        <p className="border-leaf mt-3 border-l-4 pl-3">
          <b>{better.name} would do better here:</b> sown {showDay(better.sowDay)},{' '}
          {METHOD_SHORT[better.best!.method] ?? better.best!.method} about {showDay(better.best!.startDay)},
          ready in {of100(better.best!.odds.inTime)}.
        </p>
      )}
      <p className="text-bark mt-3">
        Bed of {showArea(said.ground.area_m2, units)}. <Term id="odds">Odds</Term> are of {sample.years}{' '}
        plausible years here, as your town’s figures make them; Kilim sharpens them with what you see as the
        season goes on.
      </p>
    </section>
  );
}

/** Reasons a newcomer must hear before sowing. */
const WARNS = new Set([
  'never-chilled',
  'late-before-winter',
  'long-under-snow',
  'summer-through',
  'winter-through',
  'long-before-winter',
  'too-warm',
  'too-cool',
  'same-family',
  'sets-seed',
  'hazard',
  'restricted',
  'thin-stand',
  'ties-up-nitrogen',
  'thinned',
  'poor-before',
]);

function Stretch({
  motif,
  bands,
  title,
  last,
  children,
}: {
  motif: Motif | 'bare';
  bands?: { motif: Motif; share: number }[];
  title: string;
  last?: boolean;
  children: React.ReactNode;
}) {
  const prefix = `first-${motif}-${title.replace(/\W/g, '')}`;
  return (
    <li className="grid grid-cols-[3.5rem_1fr] gap-x-4">
      <div className="relative min-h-16" aria-hidden="true">
        <svg className="absolute inset-0" width={56} height="100%">
          <WeaveDefs prefix={prefix} />
          <rect width={56} height="100%" fill={`url(#${prefix}-warp)`} />
          {last ? (
            <rect width={56} height="100%" fill={`url(#${prefix}-crop)`} />
          ) : motif !== 'residue' && bands ? (
            <Woven
              prefix={prefix}
              x={0}
              y={14}
              width={56}
              height={600}
              bands={bands}
              faint={motif === 'bare'}
            />
          ) : (
            <rect width={56} height="100%" fill={`url(#${prefix}-residue)`} />
          )}
          <path d="M0 14H56" stroke="var(--color-walnut)" strokeWidth={2} />
          <path
            d="M28 5l9 9l-9 9l-9 -9z"
            fill="var(--color-paper)"
            stroke="var(--color-walnut)"
            strokeWidth={2}
          />
        </svg>
      </div>
      <div className="pb-4">
        <p className="font-display text-xl font-bold">{title}</p>
        {children}
      </div>
    </li>
  );
}
