import type { Garden } from '../../records/types.ts';
import {
  canHoldFolder,
  chooseFolder,
  copyToFolder,
  forgetFolder,
  stemOf,
  useCopyAge,
  useFolder,
  useFolderAsks,
  useStays,
} from '../../ring/staying.ts';
import { copyWords, urge } from '../../ui/copyWords.ts';

/** What keeps the garden when the browser forgets: how old the last copy is, the browser's promise, a folder for copies that write themselves. */
export function Staying({ garden, say }: { garden: Garden; say(text: string): void }) {
  const age = useCopyAge(garden.id);
  const stays = useStays();
  const folder = useFolder();
  const asks = useFolderAsks();
  const now = async () =>
    say(
      (await copyToFolder(garden.id, stemOf(garden.name), true))
        ? 'A copy is in the folder.'
        : 'The folder could not be written to. Choose it again, or export the garden by hand.',
    );
  return (
    <section aria-labelledby="staying-title">
      <h2 id="staying-title" className="font-display text-xl font-bold">
        How safe it is
      </h2>
      {age && (
        <p className={`mt-2 ${urge(age) === 'plain' ? 'text-madder font-semibold' : ''}`}>{copyWords(age)}</p>
      )}
      <p className="mt-2">
        {stays === undefined
          ? 'This browser does not say whether it keeps what is stored here.'
          : stays
            ? 'The browser has promised to keep it, also when room runs short. Clearing the browser by hand still takes it.'
            : 'The browser has made no promise: it may clear what is stored here when room runs short. Copies are what is safe.'}
      </p>
      {canHoldFolder() && (
        <div className="mt-3 flex flex-wrap items-center gap-3">
          {folder ? (
            <>
              <p className="w-full">
                Copies write themselves into <b>{folder}</b>, one for each day on which something changed; the
                last seven stay.
                {asks && ' The browser wants to be asked again before it writes there: tap Copy now.'}
              </p>
              <button type="button" className="btn btn-sm" onClick={() => void now()}>
                Copy now
              </button>
              <button type="button" className="btn btn-ghost btn-sm" onClick={() => void forgetFolder()}>
                No more copies there
              </button>
            </>
          ) : (
            <button
              type="button"
              className="btn"
              onClick={() => void chooseFolder().then((chosen) => (chosen ? now() : undefined))}
            >
              Let copies write themselves into a folder
            </button>
          )}
        </div>
      )}
    </section>
  );
}
