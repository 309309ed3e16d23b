/** One reading of a scale. */
export interface Reading {
  /** After tare, g. */
  grams: number;
  steady: boolean;
}

/** What a kitchen scale must be able to do for the seed bench. A real one, over a cable or the air, would implement this. */
export interface Scale {
  simulated: boolean;
  /** Hears readings until the returned function is called. `onLost` is called when the scale falls silent. */
  listen(onReading: (reading: Reading) => void, onLost: () => void): () => void;
  tare(): Promise<void>;
}

/** The stand-in also has hands: it can be poured onto. */
export interface PouredScale extends Scale {
  pour(grams: number): Promise<void>;
  empty(): Promise<void>;
}

const post = async (path: string, body?: object): Promise<void> => {
  await fetch(`/api/scale/${path}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(body ?? {}),
  });
};

/** The scale that the project's own server pretends to be. */
export const simulatedScale: PouredScale = {
  simulated: true,
  listen(onReading, onLost) {
    const source = new EventSource('/api/scale');
    source.onmessage = (event: MessageEvent<string>) => onReading(JSON.parse(event.data) as Reading);
    source.onerror = () => onLost();
    return () => source.close();
  },
  tare: () => post('tare'),
  pour: (grams) => post('pour', { grams }),
  empty: () => post('empty'),
};
