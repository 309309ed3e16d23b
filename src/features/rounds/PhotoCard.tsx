import { Camera } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { speciesOf } from '../../catalogue/catalogue.ts';
import { type CoverReading, type Picture, pointCover } from '../../core/look/photo.ts';
import type { Cover } from '../../records/types.ts';
import { hands } from '../../ring/garden.tsx';
import { askQuick } from '../../workers/core/client.ts';
import { SelectField } from '../../ui/fields.tsx';
import { WeaveDefs, Woven } from '../../ui/Weave.tsx';
import { type Pick } from './pick.ts';
import { canLook, Viewfinder } from './Viewfinder.tsx';

interface Props {
  cover: Cover;
  pick: Pick;
  set(pick: Pick): void;
  keepPicture(jpeg: string | null): void;
}

/** Pictures are read at this size, and kept at that. */
const READ_PX = 640;
const KEPT_PX = 320;
const SAMPLES = [0.05, 0.2, 0.4, 0.6, 0.8, 0.95];
const percent = (x: number): number => Math.round(x * 100);

/** Ground cover: from a picture that stays on the device, from twenty points along a string, or by the nearest woven piece. */
export function PhotoCard({ cover, pick, set, keepPicture }: Props) {
  const [picture, setPicture] = useState<Picture | null>(null);
  const [shift, setShift] = useState(0);
  const [reading, setReading] = useState<CoverReading | null>(null);
  const [problem, setProblem] = useState('');
  const [before, setBefore] = useState<string | null>(null);
  const [looking, setLooking] = useState(false);
  const canvas = useRef<HTMLCanvasElement>(null);
  const role = speciesOf(cover.parts[0]!.speciesId).role;
  useEffect(() => {
    void hands.db.pictures
      .where({ coverId: cover.id })
      .sortBy('on')
      .then((all) => setBefore(all.at(-1)?.jpeg ?? null))
      .catch(() => undefined);
  }, [cover.id]);
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
  useEffect(() => {
    if (picture && canvas.current) paint(canvas.current, picture, reading);
  }, [picture, reading]);

  function show(image: ImageBitmap) {
    setReading(null);
    setPicture(shrunk(image, READ_PX));
    keepPicture(jpegOf(image));
    image.close();
    setLooking(false);
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
  return (
    <>
      <p>
        Photograph straight down from chest height, the sun behind the clouds or behind you, your shadow out
        of it.
      </p>
      {looking ? (
        <Viewfinder ghost={before} take={show} close={() => setLooking(false)} />
      ) : (
        <div className={canLook() ? 'mt-3 grid grid-cols-2 gap-2' : 'mt-3'}>
          {canLook() && (
            <button type="button" className="btn btn-primary" onClick={() => setLooking(true)}>
              <Camera size={20} strokeWidth={1.5} /> {picture ? 'Once more' : 'Camera'}
            </button>
          )}
          <label className={`btn w-full ${canLook() ? '' : 'btn-primary'}`}>
            {picture ? 'Another picture' : 'Choose a picture'}
            <input
              type="file"
              accept="image/*"
              className="sr-only"
              onChange={(e) => void open(e.target.files?.[0])}
            />
          </label>
        </div>
      )}
      {problem && (
        <p role="alert" className="text-madder font-semibold">
          {problem}
        </p>
      )}
      {picture && !looking && (
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
          {reading && (reading.shadow > 0.12 || reading.glare > 0.06) && (
            <p className="text-madder font-semibold">
              {reading.glare > 0.06 ? 'Much of it is glare' : 'Much of it lies in deep shade'}: another from
              the other side would tell more.
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
      )}
      {before && !looking && (
        <figure className="mt-2 flex items-center gap-3">
          <img src={before} alt="At the last look" className="h-20" />
          <figcaption className="text-bark text-sm">
            The last look, for the same place and height. Pictures stay on this device.
          </figcaption>
        </figure>
      )}
      <h3 className="mt-4 font-bold">Without a picture: which piece is most like it?</h3>
      <div className="mt-1 grid grid-cols-6 gap-1">
        {SAMPLES.map((share) => (
          <button
            key={share}
            type="button"
            aria-label={`${percent(share)} % covered`}
            aria-pressed={!picture && pick.cover === share}
            className={`border-2 ${!picture && pick.cover === share ? 'border-walnut' : 'border-linen'}`}
            onClick={() => {
              setPicture(null);
              keepPicture(null);
              set({ cover: share });
            }}
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
      <details className="mt-3">
        <summary className="cursor-pointer py-1 font-semibold">Or twenty knots along a string</summary>
        <SelectField
          label="Knots over a leaf"
          value={pick.cover === undefined ? '' : String(Math.round(pick.cover * 20))}
          options={[
            ['', 'not counted'],
            ...Array.from({ length: 21 }, (_, n) => [String(n), String(n)] as const),
          ]}
          onChange={(n) => n !== '' && set({ cover: pointCover(Number(n)).share })}
        />
        <p className="text-bark text-sm">
          Twenty points tell it to some fourteen in a hundred at the middle.
        </p>
      </details>
    </>
  );
}

const sizeWithin = (image: ImageBitmap, most: number): [number, number] => {
  const times = Math.min(1, most / Math.max(image.width, image.height));
  return [Math.max(1, Math.round(image.width * times)), Math.max(1, Math.round(image.height * times))];
};
function drawn(image: ImageBitmap, most: number): HTMLCanvasElement {
  const [w, h] = sizeWithin(image, most);
  const c = document.createElement('canvas');
  [c.width, c.height] = [w, h];
  c.getContext('2d')!.drawImage(image, 0, 0, w, h);
  return c;
}
function shrunk(image: ImageBitmap, most: number): Picture {
  const c = drawn(image, most);
  const { data, width, height } = c.getContext('2d')!.getImageData(0, 0, c.width, c.height);
  return { data, width, height };
}
const jpegOf = (image: ImageBitmap): string => drawn(image, KEPT_PX).toDataURL('image/jpeg', 0.7);

/** What was not taken for green, tinted: soil reddish, straw yellow. */
function paint(canvas: HTMLCanvasElement, picture: Picture, reading: CoverReading | null): void {
  [canvas.width, canvas.height] = [picture.width, picture.height];
  const out = new ImageData(new Uint8ClampedArray(picture.data), picture.width, picture.height);
  if (reading)
    for (let y = 0; y < picture.height; y++)
      for (let x = 0; x < picture.width; x++) {
        const my = Math.min(reading.height - 1, Math.floor((y * reading.height) / picture.height));
        const mx = Math.min(reading.width - 1, Math.floor((x * reading.width) / picture.width));
        const kind = reading.mask[my * reading.width + mx];
        if (kind === 2) continue;
        const [r, g, b] = kind === 1 ? [216, 161, 46] : [158, 58, 45];
        const i = (y * picture.width + x) * 4;
        out.data[i] = (out.data[i]! + r!) / 2;
        out.data[i + 1] = (out.data[i + 1]! + g!) / 2;
        out.data[i + 2] = (out.data[i + 2]! + b!) / 2;
      }
  canvas.getContext('2d')!.putImageData(out, 0, 0);
}
