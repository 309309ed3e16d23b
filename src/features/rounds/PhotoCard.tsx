import { Camera } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { speciesOf } from '../../catalogue/catalogue.ts';
import { type CoverReading, type Picture, pointCover } from '../../core/look/photo.ts';
import type { Cover } from '../../records/types.ts';
import { hands } from '../../ring/garden.tsx';
import { askQuick } from '../../workers/core/client.ts';
import { SelectField } from '../../ui/fields.tsx';
import { WeaveDefs, Woven } from '../../ui/Weave.tsx';
import { type Species } from '../../core/stand/species.ts';
import { type Pick } from './pick.ts';
import { jpegOf, paint, shrunk } from './pictures.ts';
import { canLook, Viewfinder } from './Viewfinder.tsx';

interface Props {
  cover: Cover;
  pick: Pick;
  set(pick: Pick): void;
  keepPicture(jpeg: string | null): void;
}

const SAMPLES = [0.05, 0.2, 0.4, 0.6, 0.8, 0.95];
const percent = (x: number): number => Math.round(x * 100);

/** Ground cover: from a picture that stays on the device, from twenty points along a string, or by the nearest woven piece. */
export function PhotoCard({ cover, pick, set, keepPicture }: Props) {
  const p = usePicture(set, keepPicture);
  const before = useLastPicture(cover.id);
  const [looking, setLooking] = useState(false);
  return (
    <>
      <p>
        Photograph straight down from chest height, the sun behind the clouds or behind you, your shadow out
        of it.
      </p>
      {looking ? (
        <Viewfinder
          ghost={before}
          take={(image) => {
            p.show(image);
            setLooking(false);
          }}
          close={() => setLooking(false)}
        />
      ) : (
        <TakeOne again={p.picture !== null} look={() => setLooking(true)} open={p.open} />
      )}
      {p.problem && (
        <p role="alert" className="text-madder font-semibold">
          {p.problem}
        </p>
      )}
      {p.picture && !looking && <ReadPicture {...p} picture={p.picture} />}
      {before && !looking && (
        <figure className="mt-2 flex items-center gap-3">
          <img src={before} alt="At the last look" className="h-20" />
          <figcaption className="text-bark text-sm">
            The last look, for the same place and height. Pictures stay on this device.
          </figcaption>
        </figure>
      )}
      <Nearest
        role={speciesOf(cover.parts[0]!.speciesId).role}
        picked={p.picture ? undefined : pick.cover}
        take={(share) => {
          p.drop();
          set({ cover: share });
        }}
      />
      <Knots cover={pick.cover} set={set} />
    </>
  );
}

/** The picture of the last look, to hold the next one over. */
function useLastPicture(coverId: string): string | null {
  const [before, setBefore] = useState<string | null>(null);
  useEffect(() => {
    void hands.db.pictures
      .where({ coverId })
      .sortBy('on')
      .then((all) => setBefore(all.at(-1)?.jpeg ?? null))
      .catch(() => undefined);
  }, [coverId]);
  return before;
}

/** A picture, the line between green and soil, and what was read of it; read anew when one of the two changes. */
function usePicture(set: Props['set'], keepPicture: Props['keepPicture']) {
  const [picture, setPicture] = useState<Picture | null>(null);
  const [shift, setShift] = useState(0);
  const [reading, setReading] = useState<CoverReading | null>(null);
  const [problem, setProblem] = useState('');
  useEffect(() => {
    if (!picture) return;
    const job = askQuick('photo', { picture, shift });
    void job.answer.then((r) => {
      if (!r.ok) return;
      setReading(r.value);
      set({ cover: r.value.green });
    });
    return () => job.cancel();
    // Only a new picture or a moved line is read anew.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [picture, shift]);
  function show(image: ImageBitmap) {
    setReading(null);
    setPicture(shrunk(image));
    keepPicture(jpegOf(image));
    image.close();
  }
  async function open(file: File | undefined) {
    if (!file) return;
    setProblem('');
    try {
      show(await createImageBitmap(file));
    } catch {
      setProblem('This picture cannot be read. Take another, as JPEG or PNG.');
    }
  }
  const drop = () => {
    setPicture(null);
    keepPicture(null);
  };
  return { picture, shift, setShift, reading, problem, show, open, drop };
}

/** The camera where there is one, or a picture from a file. */
function TakeOne({
  again,
  look,
  open,
}: {
  again: boolean;
  look(): void;
  open(file: File | undefined): Promise<void>;
}) {
  return (
    <div className={canLook() ? 'mt-3 grid grid-cols-2 gap-2' : 'mt-3'}>
      {canLook() && (
        <button type="button" className="btn btn-primary" onClick={look}>
          <Camera size={20} strokeWidth={1.5} /> {again ? 'Once more' : 'Camera'}
        </button>
      )}
      <label className={`btn w-full ${canLook() ? '' : 'btn-primary'}`}>
        {again ? 'Another picture' : 'Choose a picture'}
        <input
          type="file"
          accept="image/*"
          className="sr-only"
          onChange={(e) => void open(e.target.files?.[0])}
        />
      </label>
    </div>
  );
}

/** So much of it in deep shade, or in glare, makes a reading doubtful. */
const SHADOW = 0.12;
const GLARE = 0.06;

/** The picture with what was taken for soil and straw, the figures, and the line between them to be moved. */
function ReadPicture({
  picture,
  reading,
  shift,
  setShift,
}: {
  picture: Picture;
  reading: CoverReading | null;
  shift: number;
  setShift(shift: number): void;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    if (canvas.current) paint(canvas.current, picture, reading);
  }, [picture, reading]);
  return (
    <figure className="mt-3">
      <canvas
        ref={canvas}
        className="w-full"
        role="img"
        aria-label="The picture; what was taken for soil is reddish, straw yellow"
      />
      <figcaption className="bg-walnut text-paper px-3 py-1 font-semibold" aria-live="polite">
        {reading
          ? `read: green ${percent(reading.green)} %, straw ${percent(reading.straw)} %, soil ${percent(reading.soil)} % (± ${percent(reading.error)})`
          : 'Reading…'}
      </figcaption>
      {reading && (reading.shadow > SHADOW || reading.glare > GLARE) && (
        <p className="text-madder font-semibold">
          {reading.glare > GLARE ? 'Much of it is glare' : 'Much of it lies in deep shade'}: another from the
          other side would tell more.
        </p>
      )}
      <label className="mt-2 block">
        Right? Shift the line until bare soil shows as soil.
        <input
          type="range"
          className="accent-walnut mt-1 w-full"
          min={-1}
          max={1}
          step={0.1}
          value={shift}
          onChange={(e) => setShift(Number(e.target.value))}
        />
      </label>
    </figure>
  );
}

/** Six woven pieces from hardly covered to closed, to hold against the ground. */
function Nearest({
  role,
  picked,
  take,
}: {
  role: Species['role'];
  picked: number | undefined;
  take(share: number): void;
}) {
  return (
    <>
      <h3 className="mt-4 font-bold">Without a picture: which piece is most like it?</h3>
      <div className="mt-1 grid grid-cols-6 gap-1">
        {SAMPLES.map((share) => (
          <button
            key={share}
            type="button"
            aria-label={`${percent(share)} % covered`}
            aria-pressed={picked === share}
            className={`border-2 ${picked === share ? 'border-walnut' : 'border-linen'}`}
            onClick={() => take(share)}
          >
            <svg viewBox="0 0 54 60" className="block w-full" aria-hidden="true">
              <WeaveDefs prefix={`ph${percent(share)}`} />
              <rect width={54} height={60} fill={`url(#ph${percent(share)}-warp)`} />
              <Woven
                prefix={`ph${percent(share)}`}
                x={0}
                y={60 * (1 - share)}
                width={54}
                height={60 * share}
                bands={[{ motif: role, share: 1 }]}
              />
            </svg>
            <span className="text-sm">{percent(share)} %</span>
          </button>
        ))}
      </div>
    </>
  );
}

/** Ground cover by twenty knots along a string laid across. */
function Knots({ cover, set }: { cover: number | undefined; set: Props['set'] }) {
  return (
    <details className="mt-3">
      <summary className="cursor-pointer py-1 font-semibold">Or twenty knots along a string</summary>
      <SelectField
        label="Knots over a leaf"
        value={cover === undefined ? '' : String(Math.round(cover * 20))}
        options={[
          ['', 'not counted'],
          ...Array.from({ length: 21 }, (_, n) => [String(n), String(n)] as const),
        ]}
        onChange={(n) => n !== '' && set({ cover: pointCover(Number(n)).share })}
      />
      <p className="text-bark text-sm">Twenty points tell it to some fourteen in a hundred at the middle.</p>
    </details>
  );
}
