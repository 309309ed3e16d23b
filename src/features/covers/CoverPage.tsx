import { useMemo, useState } from 'react';
import { Link, Navigate, useParams } from 'react-router';
import { findSpecies, membersOf, mixes, speciesOf } from '../../catalogue/catalogue.ts';
import { pageOf } from '../../catalogue/pages.ts';
import { type SpeciesEntry } from '../../catalogue/schema.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { showDepth, showPerArea } from '../../core/units/show.ts';
import { useGarden } from '../../ring/garden.tsx';
import { SeedDrawing } from '../../ui/drawings/Seed.tsx';
import { SeedlingDrawing } from '../../ui/drawings/Seedling.tsx';
import { Answer, Page } from '../../ui/parts.tsx';
import { bandWords, reportedWords } from '../../ring/reportedWords.ts';
import { Swatch } from '../../ui/Weave.tsx';
import { Figures } from './Figures.tsx';
import { HardToKill } from './HardToKill.tsx';
import { MadeFrom, OWN_PREFIX, OwnKindForm } from './OwnKindForm.tsx';
import { StageCalendar } from './StageCalendar.tsx';

/** One kind or one mix: what it is, when it does what here, how hard it is to end, what it harms, what it is mistaken for. */
export default function CoverPage() {
  const { id = '' } = useParams();
  const { garden, today } = useGarden();
  const mix = mixes.find((m) => m.id === id);
  const one = findSpecies(id);
  const own = garden.ownKinds?.find((k) => k.id === id);
  const members = useMemo(
    () => membersOf(mix ? mix.members : one ? [{ speciesId: one.id, share: 1 }] : []),
    [mix, one],
  );
  const [sowOn, setSowOn] = useState(today);
  // One that was made a moment ago is on its way into the garden.
  if (members.length === 0 && id.startsWith(OWN_PREFIX))
    return (
      <p className="p-6">
        This kind of your own is not in the garden.{' '}
        <Link to="/covers" className="underline">
          All covers
        </Link>
      </p>
    );
  if (members.length === 0) return <Navigate to="/covers" replace />;
  const name = mix?.name ?? one!.name;
  return (
    <Page
      title={name}
      lead={
        one ? (
          <i>
            {one.latin}, {one.family}
          </i>
        ) : (
          members.map((m) => `${Math.round(m.share * 100)} % ${m.species.name.toLowerCase()}`).join(', ')
        )
      }
    >
      <Answer big={mix ? mix.why : one!.character} />
      {own && <MadeFrom kind={own} like={speciesOf(own.like)} />}
      {members.map(({ species }) => (
        <Kind key={species.id} species={species} titled={members.length > 1} />
      ))}
      <StageCalendar
        members={members}
        sowOn={sowOn}
        setSowOn={setSowOn}
        valid={Number.isFinite(dayOf(sowOn))}
      />
      <HardToKill members={members} />
      {one && (
        <p className="mt-3">
          By hand: {showPerArea(one.seed.rateBroadcastLow_g_m2, garden.units)} to{' '}
          {showPerArea(one.seed.rateBroadcastHigh_g_m2, garden.units)},
          {showDepth(one.seed.depthMin_mm, garden.units)} to {showDepth(one.seed.depthMax_mm, garden.units)}{' '}
          deep
          {one.seed.inoculant ? `; inoculant of the ${one.seed.inoculant.replace('-', ' and ')} group` : ''}.
        </p>
      )}
      {members.map(({ species }) => (
        <Figures key={species.id} species={species} titled={members.length > 1} />
      ))}
      <Reported kinds={members.map((m) => m.species.id)} />
      {one && !own && <OwnKindForm like={one} />}
      <p className="mt-6">
        <Link to="/covers" className="underline">
          All covers
        </Link>
      </p>
    </Page>
  );
}

/** What other gardens told of these kinds, marked as theirs. */
function Reported({ kinds }: { kinds: string[] }) {
  const { garden } = useGarden();
  const told = (garden.reported ?? []).flatMap((r) =>
    r.covers.filter((c) => c.parts.some((p) => kinds.includes(p.speciesId))).map((c) => ({ r, c })),
  );
  if (told.length === 0) return null;
  return (
    <section className="border-indigo mt-6 border-l-4 pl-4" aria-label="Reported by other gardens">
      <h2 className="font-display text-lg font-bold">Reported by other gardens</h2>
      <ul>
        {told.map(({ r, c }, i) => (
          <li key={i} className="border-linen border-t py-1">
            {reportedWords(c)}{' '}
            <span className="text-bark">
              {r.title}, {bandWords(r.latitude_deg)}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Kind({ species, titled }: { species: SpeciesEntry; titled: boolean }) {
  const page = pageOf(species.id);
  return (
    <section className="border-linen mt-4 border-t pt-3">
      {titled && (
        <h2 className="font-display flex items-center gap-2 text-lg font-bold">
          <Swatch motif={species.role} /> {species.name}
        </h2>
      )}
      <div className="mt-2 flex flex-wrap items-start gap-8">
        <SeedDrawing look={page.seedLook} thousandSeed_g={species.seed.thousandSeed_g} name={species.name} />
        <SeedlingDrawing look={page.seedling} name={species.name} />
        <div className="max-w-md min-w-60 flex-1">
          <h3 className="font-bold">Not to be taken for</h3>
          {page.lookAlikes.length === 0 && <p>Nothing else in this list.</p>}
          <ul className="list-disc pl-5">
            {page.lookAlikes.map((l) => (
              <li key={l.speciesId}>
                <b>{speciesOf(l.speciesId).name}.</b> {l.tell}
              </li>
            ))}
          </ul>
          {(species.hazards.length > 0 || species.mayBeRestricted) && (
            <div className="border-madder mt-3 border-l-4 pl-3">
              <h3 className="text-madder font-bold">Caution</h3>
              <ul>
                {species.hazards.map((h) => (
                  <li key={h.text}>
                    {h.text} <span className="text-bark">({h.to})</span>
                  </li>
                ))}
                {species.mayBeRestricted && (
                  <li>Listed as a weed, or unwelcome near seed crops, in some places: ask before sowing.</li>
                )}
              </ul>
            </div>
          )}
        </div>
      </div>
    </section>
  );
}
