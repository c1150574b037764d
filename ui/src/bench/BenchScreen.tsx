import { Button, PressLink } from "../parts/Button";
import { useNavigate, useParams, useSearchParams } from "react-router";
import { useAtBench, useBench } from "../client/bench";
import { useShelf } from "../client/queries";
import type { Shelf } from "../client/types.gen";
import { TroubleNote } from "../parts/Trouble";
import { Bench } from "./Bench";

/** Measuring and loading, one step at a time. */
export default function BenchScreen() {
  const { id } = useParams();
  const bench = useBench(id);
  const shelf = useShelf();
  if (id) {
    if (bench.error && !bench.data)
      return (
        <div className="p-8">
          <TroubleNote error={bench.error} />
        </div>
      );
    if (!bench.data) return <p className="p-8 text-lg text-soft">Loading bench …</p>;
    return <Bench key={id} bench={bench.data} />;
  }
  return <Empty open={shelf.data?.bench} />;
}

/** No bench is open: one to go back to, or to bring back, or a loaf to plan. */
function Empty({ open }: { open: Shelf["bench"] }) {
  const [search] = useSearchParams();
  const cleared = search.get("cleared");
  const { tell, error } = useAtBench(cleared ?? "");
  const navigate = useNavigate();
  return (
    <div className="p-8">
      <h1 className="text-xl font-bold">Bench</h1>
      {cleared && (
        <p role="status" className="mt-2 text-lg">
          The bench is cleared.{" "}
          <Button onClick={() => tell({ do: "reopened" }, () => navigate(`/bench/${cleared}`))} look="text" size="large">
            Restore
          </Button>
        </p>
      )}
      <TroubleNote error={error} />
      {open ? (
        <p className="mt-2 text-lg">
          {open.recipe} is half measured.{" "}
          <PressLink to={`/bench/${open.id}`} size="large">
            Continue measuring
          </PressLink>
        </p>
      ) : (
        <p className="mt-2 text-lg text-soft">Nothing is being measured. Plan a loaf, then press “To the bench”.</p>
      )}
      <p className="mt-4">
        <PressLink to="/" look="filled" size="large">
          Plan a loaf
        </PressLink>
      </p>
    </div>
  );
}
