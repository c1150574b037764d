import { useState } from "react";
import { useSendPhoto, useTellBake } from "../client/bakes";
import type { BakeView } from "../client/types.gen";
import { PhotoRow } from "./PhotoRow";
import { inHours } from "./time";

/** The photos of a bake. Taking one off is a happening, and so is taking that back. */
export function Photos({ bake, ask }: { bake: BakeView; ask: string }) {
  const send = useSendPhoto(bake.id);
  const tell = useTellBake(bake.id);
  const [undone, undo] = useState(0); // the happening by which the last one was taken off
  const photos = bake.state.photos ?? [];
  return (
    <PhotoRow
      photos={photos.map((p) => ({ id: p.id, name: nameOf(p) }))}
      ask={ask}
      send={(one, kept) => send.mutate(one, { onSuccess: kept })}
      sending={send.isPending}
      failed={send.error}
      takeOff={(id, off) => {
        const of = photos.find((p) => p.id === id)?.seq;
        tell.mutate(
          { what: "undone", of },
          {
            onSuccess: (told) => {
              undo(told.state.last);
              off();
            },
          },
        );
      }}
      bringBack={() => tell.mutate({ what: "undone", of: undone })}
      trouble={tell.error}
    />
  );
}

type Pictured = NonNullable<BakeView["state"]["photos"]>[number];

const nameOf = ({ minute, stage }: Pictured) =>
  stage ? `${stage}, ${inHours(minute)} in` : minute < 0 ? "before it began" : "when it was done";
