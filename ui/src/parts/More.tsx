interface Props {
  pages: { hasNextPage: boolean; isFetchingNextPage: boolean; fetchNextPage: () => unknown };
  what: string;
}

/** Fetches the next page of a list. */
export function More({ pages, what }: Props) {
  if (!pages.hasNextPage) return null;
  return (
    <button
      type="button"
      disabled={pages.isFetchingNextPage}
      onClick={() => pages.fetchNextPage()}
      className="mt-3 min-h-12 rounded-tray border-2 border-rim px-6 font-semibold text-rim"
    >
      {pages.isFetchingNextPage ? "Fetching …" : `Show ${what}`}
    </button>
  );
}
