import { useEffect, useRef, useState } from 'react';

interface Props {
  /** The picture of the last look: laid over what the camera sees, so that the next is of the same place from the same height. */
  ghost: string | null;
  take(image: ImageBitmap): void;
  close(): void;
}

/** Whether a page may ask for a camera here: only in safe contexts, and only where there is one to ask for. */
export const canLook = (): boolean => typeof navigator.mediaDevices?.getUserMedia === 'function';

/** The camera, with the last picture as a ghost over it. What it sees stays on the device. */
export function Viewfinder({ ghost, take, close }: Props) {
  const video = useRef<HTMLVideoElement>(null);
  const [problem, setProblem] = useState('');
  const [ready, setReady] = useState(false);
  const [shown, setShown] = useState(true);
  useEffect(() => {
    let stream: MediaStream | undefined;
    let left = false;
    const stop = () => stream?.getTracks().forEach((t) => t.stop());
    navigator.mediaDevices
      .getUserMedia({ video: { facingMode: 'environment', width: { ideal: 1280 } }, audio: false })
      .then(async (got) => {
        stream = got;
        if (left || !video.current) return stop();
        video.current.srcObject = got;
        await video.current.play();
        setReady(true);
      })
      .catch(() =>
        setProblem(
          'The browser lets no camera in. Allow it in the site’s settings, or choose a picture from a file.',
        ),
      );
    return () => {
      left = true;
      stop();
    };
  }, []);
  return (
    <section aria-label="Camera" className="mt-3">
      {problem ? (
        <p role="alert" className="text-madder font-semibold">
          {problem}
        </p>
      ) : (
        <>
          <div className="bg-walnut relative overflow-hidden">
            <video ref={video} className="block w-full" muted playsInline aria-label="What the camera sees" />
            {ghost && shown && (
              <img
                src={ghost}
                alt="The last look, laid over it"
                className="pointer-events-none absolute inset-0 h-full w-full object-cover opacity-45"
              />
            )}
          </div>
          {ghost && (
            <label className="mt-2 flex items-center gap-3">
              <input
                type="checkbox"
                className="checkbox"
                checked={shown}
                onChange={(e) => setShown(e.target.checked)}
              />
              The last look over it: same place, same height, same way up
            </label>
          )}
        </>
      )}
      <div className="mt-2 grid grid-cols-[1fr_2fr] gap-2">
        <button type="button" className="btn" onClick={close}>
          Close
        </button>
        <button
          type="button"
          className="btn btn-primary"
          disabled={!ready}
          onClick={() => void createImageBitmap(video.current!).then(take)}
        >
          Take the picture
        </button>
      </div>
    </section>
  );
}
