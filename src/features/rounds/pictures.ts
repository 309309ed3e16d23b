import { type CoverReading, type Picture } from '../../core/look/photo.ts';

// Pictures are read at this size, and kept at that.
const READ_PX = 640;
const KEPT_PX = 320;

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
/** A picture small enough to be read at once. */
export function shrunk(image: ImageBitmap): Picture {
  const c = drawn(image, READ_PX);
  const { data, width, height } = c.getContext('2d')!.getImageData(0, 0, c.width, c.height);
  return { data, width, height };
}
/** As it is kept beside a look. */
export const jpegOf = (image: ImageBitmap): string => drawn(image, KEPT_PX).toDataURL('image/jpeg', 0.7);

/** What was not taken for green, tinted: soil reddish, straw yellow. */
export function paint(canvas: HTMLCanvasElement, picture: Picture, reading: CoverReading | null): void {
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
