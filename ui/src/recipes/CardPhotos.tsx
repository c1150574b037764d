import { useCardPhotos, usePutAwayPhoto, useSendCardPhoto } from "../client/recipes";
import { PhotoRow } from "../parts/PhotoRow";

/** Photos of the card that a recipe was taken from. */
export function CardPhotos({ recipe }: { recipe: string }) {
  const photos = useCardPhotos(recipe).data?.photos ?? [];
  const send = useSendCardPhoto(recipe);
  const put = usePutAwayPhoto();
  return (
    <PhotoRow
      photos={photos.map((p, n) => ({ id: p.id, name: photos.length === 1 ? "its card" : `its card, ${n + 1}` }))}
      ask="Add a photo of the recipe card"
      send={(one, kept) => send.mutate(one, { onSuccess: kept })}
      sending={send.isPending}
      failed={send.error}
      takeOff={(id, off) => put.mutate({ id, away: true }, { onSuccess: off })}
      bringBack={(id) => put.mutate({ id, away: false })}
      trouble={put.error}
    />
  );
}
