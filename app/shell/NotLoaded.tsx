/** A view that could not be loaded, or broke: says what helps, and that nothing is lost. */
export function NotLoaded() {
  return (
    <div role="alert" className="mx-auto max-w-xl px-4 py-16 text-center">
      <p className="text-lg">This view could not be shown: the application was renewed meanwhile, or the server does not answer.</p>
      <p className="mt-2 text-soft">Nothing is lost.</p>
      <button
        type="button"
        className="mt-4 cursor-pointer rounded-md bg-brass px-4 py-2 font-semibold text-brass-ink"
        onClick={() => location.reload()}
      >
        Load the page again
      </button>
    </div>
  );
}
