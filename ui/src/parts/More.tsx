import { Button } from "./Button";
interface Props {
  pages: { hasNextPage: boolean; isFetchingNextPage: boolean; fetchNextPage: () => unknown };
  what: string;
}

/** Fetches the next page of a list. */
export function More({ pages, what }: Props) {
  if (!pages.hasNextPage) return null;
  return (
    <Button disabled={pages.isFetchingNextPage} onClick={() => pages.fetchNextPage()} size="medium" className="mt-3">
      {pages.isFetchingNextPage ? "Fetching …" : `Show ${what}`}
    </Button>
  );
}
