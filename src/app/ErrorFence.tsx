import { Component, type ReactNode } from 'react';
import { storageFailure } from '../records/write.ts';
import { failureWords } from '../ui/failureWords.ts';

/** Catches a broken screen, keeps the rest, and says that nothing saved was lost. */
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
          Nothing saved was lost. Reload to go on; if it breaks again, export the garden under Keep.
        </p>
        <p className="text-bark mt-2 text-sm">{this.state.broken}</p>
        <button type="button" className="btn btn-primary mt-4" onClick={() => window.location.assign('/')}>
          Reload
        </button>
      </main>
    );
  }
}
