import { type ComponentType, lazy, Suspense, useCallback, useEffect, useRef, useState } from 'react';
import { matchPath, Navigate, Route, Routes, useLocation, useNavigate, useParams } from 'react-router';
import { X } from 'lucide-react';
import { type Failure } from '../core/result/result.ts';
import { type StorageTrouble } from '../records/trouble.ts';
import { failureWords } from '../ui/failureWords.ts';
import { GardenRing } from '../ring/garden.tsx';
import { askToStay } from '../ring/staying.ts';
import { ErrorFence } from './ErrorFence.tsx';
import { Header } from './Header.tsx';
import { openDemo } from './demo.ts';
import { takeNewer } from './versions.ts';
import { failed, messageRead, openGarden, told, wentWell, useAct, useApp } from './store.ts';

/**
 * A screen that is fetched when it is shown, and at once where the address already asks for it: it comes while the garden is read. Once it is there it is shown
 * without a moment of waiting in between, which React would draw out to a third of a second.
 */
function page<P extends object>(load: () => Promise<{ default: ComponentType<P> }>, ...paths: string[]) {
  let there: ComponentType<P> | undefined;
  const asked = paths.some((path) => matchPath(path, location.pathname)) ? load() : undefined;
  // Whoever shows it hears that it failed.
  asked?.then((m) => (there = m.default)).catch(() => undefined);
  const Later = lazy(() => asked ?? load());
  return function Screen(props: P) {
    // What was begun as one of the two stays it.
    const [Shown] = useState<ComponentType<P>>(() => there ?? (Later as unknown as ComponentType<P>));
    return <Shown {...props} />;
  };
}

const Welcome = lazy(() => import('../features/welcome/WelcomePage.tsx'));
const NewGarden = lazy(() => import('../features/welcome/GardenPage.tsx'));
const First = lazy(() => import('../features/first/FirstPage.tsx'));
const Cloth = page(() => import('../features/cloth/ClothPage.tsx'), '/', '/open-demo/:name');
const Ground = page(() => import('../features/ground/GroundPage.tsx'), '/ground');
const Bed = page(() => import('../features/bed/BedPage.tsx'), '/bed/:bedId');
const Choose = page(() => import('../features/choose/ChoosePage.tsx'), '/bed/:bedId/choose');
const SeedBench = page(() => import('../features/seed-bench/SeedPage.tsx'), '/cover/:coverId/seed');
const Bench = page(() => import('../features/seed-bench/BenchPage.tsx'), '/bench', '/bench/:part');
const Cards = lazy(() => import('../features/seed-bench/CardsPage.tsx'));
const YardPage = page(() => import('../features/yard/YardPage.tsx'), '/yard');
const Sow = page(() => import('../features/sow/SowPage.tsx'), '/cover/:coverId/sow');
const LookPage = page(() => import('../features/rounds/LookPage.tsx'), '/cover/:coverId/look');
const Terminate = page(() => import('../features/terminate/TerminatePage.tsx'), '/cover/:coverId/terminate');
const PlantBack = page(() => import('../features/plant-back/PlantBackPage.tsx'), '/cover/:coverId/plant');
const Notebook = page(() => import('../features/notebook/NotebookPage.tsx'), '/notebook', '/notebook/:part');
const Covers = page(() => import('../features/covers/CoversPage.tsx'), '/covers');
const CoverPage = lazy(() => import('../features/covers/CoverPage.tsx'));
const SowDay = page(() => import('../features/sow-day/SowDayPage.tsx'), '/sow-day');
const Rounds = page(() => import('../features/rounds/RoundsPage.tsx'), '/rounds');
const Shared = page(() => import('../features/shared/SharedPage.tsx'), '/shared');
const Keep = page(() => import('../features/keep/KeepPage.tsx'), '/keep');

export function App() {
  const act = useAct();
  const navigate = useNavigate();
  const { gardenId, sought, trouble, newer } = useApp((s) => s.session);
  const tell = useCallback((f: Failure) => act(failed(f)), [act]);
  const well = useCallback(() => act(wentWell()), [act]);
  const say = useCallback((text: string) => act(told(text)), [act]);
  const opened = (id: string, path = '/') => {
    act(openGarden(id));
    void navigate(path);
  };
  const welcome = (
    <Welcome
      openId={gardenId}
      onMade={(id) => opened(id)}
      onDemo={(name) => void navigate(`/open-demo/${name}`)}
      onGone={() => act(openGarden(null))}
      tell={tell}
      say={say}
    />
  );
  return (
    <>
      <a href="#main" className="sr-only focus:not-sr-only">
        To the main part
      </a>
      {trouble && <StorageNotice trouble={trouble} />}
      {newer && (
        <div
          role="status"
          className="border-leaf bg-paper flex flex-wrap items-center gap-3 border-b-2 px-4 py-2 sm:px-6"
        >
          <p>A newer Kilim is ready. It comes by itself when you look away and nothing is half typed.</p>
          <button type="button" className="btn btn-sm" onClick={() => takeNewer()}>
            Take it now
          </button>
        </div>
      )}
      <ErrorFence>
        <Suspense fallback={<p className="text-bark p-6">One moment…</p>}>
          <Routes>
            <Route path="/open-demo/:name" element={<OpenDemo onOpen={opened} tell={tell} />} />
            <Route path="/new" element={welcome} />
            <Route path="/new/garden" element={<NewGarden onMade={opened} tell={tell} />} />
            <Route path="/first" element={<First onMade={opened} tell={tell} />} />
            <Route
              path="*"
              element={
                gardenId ? (
                  <GardenRing
                    gardenId={gardenId}
                    tell={tell}
                    wentWell={well}
                    saved={askToStay}
                    missing={welcome}
                    waiting={!trouble && <p className="text-bark p-6">Opening the garden…</p>}
                  >
                    <Header say={say} open={opened} />
                    <Routes>
                      <Route path="/" element={<Cloth />} />
                      <Route path="/ground" element={<Ground tell={tell} />} />
                      <Route path="/bed/:bedId" element={<Bed />} />
                      <Route path="/bed/:bedId/choose" element={<Choose />} />
                      <Route path="/cover/:coverId/seed" element={<SeedBench />} />
                      <Route path="/cover/:coverId/sow" element={<Sow />} />
                      <Route path="/cover/:coverId/look" element={<LookPage />} />
                      <Route path="/cover/:coverId/terminate" element={<Terminate />} />
                      <Route path="/cover/:coverId/plant" element={<PlantBack />} />
                      <Route path="/bench" element={<Bench />} />
                      <Route path="/bench/:part" element={<Bench />} />
                      <Route path="/bench-cards" element={<Cards />} />
                      <Route path="/yard" element={<YardPage />} />
                      <Route path="/notebook" element={<Notebook />} />
                      <Route path="/notebook/:part" element={<Notebook />} />
                      <Route path="/sow-day" element={<SowDay />} />
                      <Route path="/rounds" element={<Rounds />} />
                      <Route path="/shared" element={<Shared />} />
                      <Route path="/covers" element={<Covers />} />
                      <Route path="/covers/:id" element={<CoverPage />} />
                      <Route
                        path="/keep"
                        element={
                          <Keep tell={tell} say={say} onWiped={() => act(openGarden(null))} onOpen={opened} />
                        }
                      />
                      <Route path="*" element={<Navigate to="/" replace />} />
                    </Routes>
                  </GardenRing>
                ) : !sought ? (
                  <p className="text-bark p-6">One moment…</p>
                ) : (
                  <KeepOrWelcome welcome={welcome} />
                )
              }
            />
          </Routes>
        </Suspense>
      </ErrorFence>
      <Message />
    </>
  );
}

/** Good news has been seen this long before another screen puts it away, ms. */
const SEEN_AFTER = 1500;

/** What went wrong stays until it is closed or a later write goes through; good news goes with the screen on which it was read. */
function Message() {
  const act = useAct();
  const message = useApp((s) => s.session.message);
  const { pathname } = useLocation();
  const seen = useRef(false);
  useEffect(() => {
    seen.current = false;
    if (message?.tone !== 'done') return;
    const timer = setTimeout(() => (seen.current = true), SEEN_AFTER);
    return () => clearTimeout(timer);
  }, [message]);
  useEffect(() => {
    if (seen.current) act(messageRead());
  }, [pathname, act]);
  if (!message) return null;
  return (
    <div className="toast toast-end z-50" role={message.tone === 'problem' ? 'alert' : 'status'}>
      <div
        className={`flex max-w-md items-start gap-3 border-l-4 p-4 ${message.tone === 'problem' ? 'border-madder bg-paper' : 'border-leaf bg-paper'}`}
      >
        <p className="whitespace-normal">{message.text}</p>
        <button type="button" aria-label="Close the message" onClick={() => act(messageRead())}>
          <X size={18} strokeWidth={1.5} />
        </button>
      </div>
    </div>
  );
}

function StorageNotice({ trouble }: { trouble: StorageTrouble }) {
  return (
    <div role="alert" className="border-madder bg-paper border-b-4 p-4 sm:px-6">
      <p className="max-w-3xl">{failureWords({ code: trouble })}</p>
      {trouble !== 'storage-blocked' && (
        <button type="button" className="btn btn-sm mt-2" onClick={() => window.location.reload()}>
          Reload
        </button>
      )}
    </div>
  );
}

/** Without an open garden every address leads to making or opening one. */
function KeepOrWelcome({ welcome }: { welcome: React.ReactNode }) {
  const { pathname } = useLocation();
  return pathname === '/' ? welcome : <Navigate to="/" replace />;
}

function OpenDemo({ onOpen, tell }: { onOpen(id: string): void; tell(f: Failure): void }) {
  const { name = '' } = useParams();
  useEffect(() => {
    let gone = false;
    void openDemo(name).then((r) => {
      if (gone) return;
      if (r.ok) onOpen(r.value);
      else tell(r.failure);
    });
    return () => {
      gone = true;
    };
    // Opening happens once per address.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [name]);
  return <p className="text-bark p-6">Opening the demo garden…</p>;
}
