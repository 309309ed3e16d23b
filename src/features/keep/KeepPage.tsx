import { useState } from 'react';
import { type Failure } from '../../core/result/result.ts';
import { wipeGarden } from '../../records/verbs/verbs.ts';
import { BringBack } from '../../ring/BringBack.tsx';
import { useGarden } from '../../ring/garden.tsx';
import { GardenList } from '../../ring/GardenList.tsx';
import { canShareFiles, forget, useCopyAge } from '../../ring/staying.ts';
import { showIsoYear } from '../../ui/dates.ts';
import { Field, Page } from '../../ui/parts.tsx';
import { LookOfApp } from './LookOfApp.tsx';
import { Staying } from './Staying.tsx';
import { useTakeOut } from './useTakeOut.ts';

interface Props {
  tell(f: Failure): void;
  say(text: string): void;
  onWiped(): void;
  onOpen(id: string): void;
}

/** Take the garden out, bring it back, wipe it; jobs and journal in open formats. */
export default function KeepPage({ tell, say, onWiped, onOpen }: Props) {
  const { garden } = useGarden();
  return (
    <Page
      title="Keep it"
      lead="Your garden lives in this browser only. Take a copy out often; a cleared browser forgets."
    >
      <div className="grid max-w-4xl gap-8 md:grid-cols-2">
        <TakeOut />
        <section>
          <h2 className="font-display text-xl font-bold">Bring back</h2>
          <BringBack
            done={(id, said) => {
              say(said);
              onOpen(id);
            }}
          />
          <p className="mt-3 flex flex-wrap gap-x-5">
            <a className="underline" href="/open-demo/north-shore">
              Open the demo garden North Shore
            </a>
            <a className="underline" href="/open-demo/two-gums">
              Open the demo garden Two Gums
            </a>
            <a className="underline" href="/new">
              Make another garden
            </a>
          </p>
        </section>
        <Staying garden={garden} say={say} />
        <GardenList openId={garden.id} open={onOpen} gone={onWiped} tell={tell} />
        <section>
          <LookOfApp />
        </section>
        <Wipe onWiped={onWiped} tell={tell} />
      </div>
    </Page>
  );
}

/** Everything that can be taken out, each as a file. */
function TakeOut() {
  const { garden } = useGarden();
  const age = useCopyAge(garden.id);
  const out = useTakeOut();
  return (
    <section>
      <h2 className="font-display text-xl font-bold">Take out</h2>
      <div className="mt-2 flex flex-col items-start gap-3">
        <button type="button" className="btn btn-primary" onClick={() => void out.whole()}>
          Export the whole garden
        </button>
        {canShareFiles() && (
          <button type="button" className="btn" onClick={() => void out.hand()}>
            Send it to another device
          </button>
        )}
        {age?.at && age.entries > 0 && (
          <button type="button" className="btn" onClick={() => void out.newSince(age.at!)}>
            Only what is new since {showIsoYear(age.at.slice(0, 10))}
          </button>
        )}
        <button type="button" className="btn" onClick={() => void out.jobs()}>
          Every job as a calendar file
        </button>
        <button type="button" className="btn" onClick={out.journal}>
          The journal as CSV
        </button>
        <button type="button" className="btn" onClick={out.beds}>
          The beds as GeoJSON
        </button>
      </div>
    </section>
  );
}

/** Removes the garden from this browser once its name was written. */
function Wipe({ onWiped, tell }: Pick<Props, 'onWiped' | 'tell'>) {
  const { garden, hands } = useGarden();
  const [sure, setSure] = useState('');
  async function wipe() {
    const gone = await wipeGarden(hands, garden.id);
    if (gone.ok) forget();
    if (gone.ok) onWiped();
    else tell(gone.failure);
  }
  return (
    <section>
      <h2 className="font-display text-madder text-xl font-bold">Wipe</h2>
      <Field
        label={`To wipe ${garden.name} from this browser, write its name`}
        hint="Export it first. This cannot be undone."
      >
        {(id) => <input id={id} className="input" value={sure} onChange={(e) => setSure(e.target.value)} />}
      </Field>
      <button
        type="button"
        className="btn btn-error mt-2"
        disabled={sure !== garden.name}
        onClick={() => void wipe()}
      >
        Wipe {garden.name}
      </button>
    </section>
  );
}
