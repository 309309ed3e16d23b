import { Component, type ReactNode } from 'react';
import { storageFailure } from '../records/write.ts';
import { failureWords } from '../ui/failureWords.ts';

/** Catches a broken screen and leads on: to the same place anew, or to Keep. It claims nothing that it has not looked at. */
export class ErrorFence extends Component<{ children: ReactNode }, { broken: string | null }> {
  state = { broken: null as string | null };

  static getDerivedStateFromError(error: unknown) {
    const storage = storageFailure(error);
    if (!storage.ok && storage.failure.code !== 'storage-failed')
      return { broken: failureWords(storage.failure) };
    return { broken: error instanceof Error ? error.message : String(error) };
  }

  render() {
    if (this.state.broken === null) return this.props.children;
    return (
      <main id="main" className="mx-auto max-w-xl p-6">
        <h1 className="font-display text-2xl font-bold">This screen broke</h1>
        <p className="mt-2">
          It could not be drawn, and has written nothing by itself. Reload to go on; if it breaks again, take
          a copy of the garden out under Keep before anything else.
        </p>
        <p className="text-bark mt-2 text-sm">{this.state.broken}</p>
        <div className="mt-4 flex gap-3">
          <button type="button" className="btn btn-primary" onClick={() => window.location.assign('/')}>
            Reload
          </button>
          <button type="button" className="btn" onClick={() => window.location.assign('/keep')}>
            To Keep
          </button>
        </div>
      </main>
    );
  }
}
