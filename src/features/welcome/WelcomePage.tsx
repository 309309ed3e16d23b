import { FolderOpen, Rows3, Sprout } from 'lucide-react';
import { type ReactNode } from 'react';
import { Link } from 'react-router';
import { type Failure } from '../../core/result/result.ts';
import { BringBack } from '../../ring/BringBack.tsx';
import { realToday } from '../../ring/garden.tsx';
import { useMissing } from '../../ring/staying.ts';
import { GardenList } from '../../ring/GardenList.tsx';
import { showIsoYear } from '../../ui/dates.ts';
import { Mark } from '../../ui/Mark.tsx';
import { type Motif } from '../../ui/motifs.ts';
import { WeaveDefs, Woven } from '../../ui/Weave.tsx';

interface Props {
  openId: string | null;
  onMade(gardenId: string): void;
  onDemo(name: string): void;
  /** The open garden was put away. */
  onGone(): void;
  tell(f: Failure): void;
  say(text: string): void;
}

/** First screen: three ways in, and made-up gardens to look round in. */
export default function WelcomePage({ openId, onMade, onDemo, onGone, tell, say }: Props) {
  const missing = useMissing();
  return (
    <main id="main" className="mx-auto max-w-5xl px-4 py-8 sm:px-6">
      <div className="flex items-center gap-3">
        <Mark size={40} />
        <h1 className="font-display text-4xl font-extrabold">Kilim</h1>
      </div>
      <p className="mt-2 max-w-2xl text-lg">
        A bare bed is a hole in the cloth. Say where you garden; Kilim works out what to sow, when, and how to
        end it in time for what comes next.
      </p>
      {missing && (
        <p role="alert" className="border-madder bg-paper mt-4 max-w-2xl border-l-4 px-4 py-2">
          <b>
            {missing.name} was kept in this browser, last on {showIsoYear(missing.on)}, and is no longer here.
          </b>{' '}
          The browser, or somebody, has cleared its storage; Kilim cannot get it back from there.{' '}
          {missing.copy
            ? `A copy was taken out on ${showIsoYear(missing.copy)}: look among your downloads for a file that ends in .kilim.json and bring it back below.`
            : 'No copy of it was ever taken out here. If you have one on another device, bring it back below.'}
        </p>
      )}
      <div className="garden-touch mt-7 grid gap-5 lg:grid-cols-3">
        <WayIn motif="legume" icon={<Sprout strokeWidth={1.5} />} title="I have a bed and a packet">
          <p>A few questions, then what to do with that packet on that bed, day by day.</p>
          <Link to="/first" className="btn btn-primary mt-auto w-full">
            Begin with one bed
          </Link>
        </WayIn>
        <WayIn motif="grass" icon={<Rows3 strokeWidth={1.5} />} title="I have a list of beds">
          <p>
            Say where it is and what tools there are; then type the beds, or paste them from a table with
            their crops.
          </p>
          <Link to="/new/garden" className="btn btn-primary mt-auto w-full">
            Lay out a garden
          </Link>
        </WayIn>
        <WayIn motif="residue" icon={<FolderOpen strokeWidth={1.5} />} title="Bring a garden back">
          <div className="mt-auto">
            <BringBack
              done={(id, said) => {
                say(said);
                onMade(id);
              }}
            />
          </div>
        </WayIn>
      </div>
      <div className="mt-8 grid gap-8 sm:grid-cols-2">
        <section>
          <h2 className="font-display text-xl font-bold">Or look round first</h2>
          <p className="mt-1">
            Two made-up gardens with a pretended date that you can move. They stand beside yours and never
            change it.
          </p>
          <div className="garden-touch mt-3 flex flex-col items-start gap-3">
            <button type="button" className="btn h-auto py-2 text-left" onClick={() => onDemo('north-shore')}>
              Open North Shore, a market garden
            </button>
            <button type="button" className="btn h-auto py-2 text-left" onClick={() => onDemo('two-gums')}>
              Open Two Gums, a home garden in the south
            </button>
          </div>
        </section>
        <div className="empty:hidden">
          <GardenList openId={openId} open={onMade} gone={onGone} tell={tell} />
        </div>
      </div>
      <p className="text-bark mt-8">Everything stays in this browser. Today is {showIsoYear(realToday())}.</p>
    </main>
  );
}

/** One way in, under a hem of its own weave. */
function WayIn({
  motif,
  icon,
  title,
  children,
}: {
  motif: Motif;
  icon: ReactNode;
  title: string;
  children: ReactNode;
}) {
  const prefix = `in-${motif}`;
  return (
    <section className="border-linen bg-paper flex flex-col border">
      <svg width="100%" height={32} aria-hidden="true" className="block">
        <WeaveDefs prefix={prefix} />
        <Woven prefix={prefix} x={0} y={0} width={1200} height={32} bands={[{ motif, share: 1 }]} />
      </svg>
      <div className="flex grow flex-col gap-3 p-4">
        <h2 className="font-display flex items-center gap-2 text-xl font-bold">
          {icon} {title}
        </h2>
        {children}
      </div>
    </section>
  );
}
