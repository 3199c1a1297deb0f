import { Link, useRouteError } from 'react-router';

/** When a screen fails to draw: nothing is lost, and there is a way on. */
export function Broken() {
  const error = useRouteError();
  return (
    <main role="alert" className="mx-auto flex h-full max-w-lg flex-col justify-center gap-3 p-6">
      <h1 className="text-2xl">Something went wrong on this screen</h1>
      <p>Your build is kept: every change is saved, or waits in this browser until it is.</p>
      <p className="text-soft">{error instanceof Error ? error.message : 'No reason was given.'}</p>
      <div className="flex gap-2">
        <button type="button" className="btn btn-main" onClick={() => location.reload()}>
          Load it again
        </button>
        <Link className="btn" to="/">
          To the shelf
        </Link>
      </div>
    </main>
  );
}
