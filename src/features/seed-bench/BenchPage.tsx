import { NavLink, useParams } from 'react-router';
import { useGarden } from '../../ring/garden.tsx';
import { Page } from '../../ui/parts.tsx';
import { Bags } from './Bags.tsx';
import { Mixes } from './Mixes.tsx';
import { plannedSowings } from '../../questions/needs.ts';
import { ScalePart } from './ScalePart.tsx';
import { Shelf } from './Shelf.tsx';
import { ToBuy } from './ToBuy.tsx';
import { ToWeigh } from './ToWeigh.tsx';

const PARTS = [
  ['weigh', 'To weigh'],
  ['buy', 'To buy'],
  ['shelf', 'On the shelf'],
  ['mixes', 'Mixes'],
  ['bags', 'What is in my bag?'],
  ['scale', 'Scale'],
] as const;

/** All seed of the season at one table: what to weigh, buy and keep. */
export default function BenchPage() {
  const { part = 'weigh' } = useParams();
  const { covers, beds } = useGarden();
  const sowings = plannedSowings(covers, beds);
  return (
    <Page title="Seed bench">
      <nav aria-label="Parts of the bench" className="border-linen mb-2 flex flex-wrap gap-x-5 border-b">
        {PARTS.map(([to, label]) => (
          <NavLink
            key={to}
            to={`/bench/${to}`}
            className={`py-2 ${part === to ? 'decoration-madder font-bold underline decoration-2 underline-offset-4' : ''}`}
          >
            {label}
          </NavLink>
        ))}
      </nav>
      {part === 'weigh' && <ToWeigh sowings={sowings} />}
      {part === 'buy' && <ToBuy sowings={sowings} />}
      {part === 'shelf' && <Shelf />}
      {part === 'mixes' && <Mixes />}
      {part === 'bags' && <Bags />}
      {part === 'scale' && <ScalePart sowings={sowings} />}
    </Page>
  );
}
