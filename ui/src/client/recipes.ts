import { type QueryClient, keepPreviousData, useInfiniteQuery, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import * as api from "./api";
import { at } from "./kitchen";
import { press } from "./outbox";
import { nothing, replan, usePress, lists, recipeChanged } from "./queries";
import type { Back, RecipeKept, RecipeRead, RecipeText, SwapsKept, Taught, Wish } from "./types.gen";

/** Recipes by a part of their name, a window of them. */
export const useRecipes = (looked: api.Looked, enabled = true) =>
  useQuery({
    queryKey: at("recipes", looked),
    queryFn: ({ signal }) => api.fetchRecipes(looked, signal),
    placeholderData: keepPreviousData,
    enabled,
  });

/** All recipes by a part of their name, window after window. */
export const useAllRecipes = (looked: api.Looked) =>
  useInfiniteQuery({
    queryKey: at("recipes", "all", looked),
    queryFn: ({ signal, pageParam }) => api.fetchRecipes({ ...looked, after: pageParam }, signal),
    initialPageParam: "",
    getNextPageParam: (last) => (last.more ? last.recipes.at(-1)?.id : undefined),
    placeholderData: keepPreviousData,
  });

/** What the server understands of a recipe's text. */
export const useReadRecipe = (recipe: RecipeText) =>
  useQuery({
    queryKey: at("read", recipe),
    queryFn: ({ signal }) => api.readRecipe(recipe, signal),
    enabled: recipe.text.trim() !== "",
    placeholderData: keepPreviousData,
  });

/** A recipe with lines that were edited one by one: its text is written anew. */
export const useWriteLines = () => useMutation({ mutationFn: (recipe: RecipeText) => api.readRecipe(recipe) });

/** What the baker says that a name means; whatever was read and planned by it is made anew. */
export function useAnswerName() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: api.answerName,
    onSuccess: async () => {
      await Promise.all(["read", "recipe", "larder", "shelf"].map((key) => client.invalidateQueries({ queryKey: at(key) })));
      await replan(client);
    },
  });
}

export const useKeepRecipe = (id: string | undefined, revision: number | undefined) =>
  usePress((recipe: RecipeText) => press<RecipeRead>(id ? `/recipes/${id}/revisions` : "/recipes", recipe, revision), recipeChanged);

/** Makes swaps in a recipe for good, as its next revision. */
export const useKeepSwaps = (id: string) => usePress((swaps: SwapsKept) => press<RecipeKept>(`/recipes/${id}/swaps`, swaps), recipeChanged);

/** Keeps an amount that a loaf has taught as the recipe's next revision. */
export const useTeach = (id: string, revision: number) =>
  usePress((taught: Taught) => press<RecipeKept>(`/recipes/${id}/taught`, taught, revision), recipeChanged);

/** Keeps a text over the revision that another device has kept meanwhile; or below it, which then is the newest again. */
export const useSettleRecipe = (id: string, theirs: number, done: () => void) =>
  usePress(
    async ({ mine, onTop }: { mine: RecipeText; onTop: boolean }) => {
      await press<RecipeRead>(`/recipes/${id}/revisions`, mine, theirs);
      if (!onTop) await press<RecipeKept>(`/recipes/${id}/back`, { revision: theirs + 1, to: theirs } satisfies Back);
    },
    (client) => {
      done();
      return recipeChanged(client);
    },
  );

/** Copies the recipe that a link leads to. */
export const useCopyLinked = () => usePress((secret: string) => press<RecipeKept>("/recipes/linked", { secret }), recipeChanged);

/** Brings the revision before the newest back. */
export const useUndoRecipe = (id: string) =>
  usePress((revision: number) => press<RecipeKept>(`/recipes/${id}/undo`, { id, revision }), recipeChanged);

/** Makes an older revision the newest again. */
export const useGoBack = (id: string) => usePress((back: Back) => press<RecipeKept>(`/recipes/${id}/back`, back), recipeChanged);

/** The swaps that one line of a loaf could have, asked for when the line is opened. */
export const useOffers = (wish: Wish, line: string) =>
  useQuery({ queryKey: at("offers", wish, line), queryFn: ({ signal }) => api.fetchOffers(wish, line, signal) });

/** The same loaf by mixer and oven. */
export const useByOven = (wish: Wish | null) =>
  useQuery({
    queryKey: at("by oven", wish),
    queryFn: ({ signal }) => api.fetchByOven(wish ?? nothing, signal),
    enabled: wish !== null,
    retry: false,
  });

/** Photos of a recipe's card: kept beside it, taken off and brought back. */
export const useCardPhotos = (recipe: string) =>
  useQuery({ queryKey: at("card photos", recipe), queryFn: ({ signal }) => api.fetchCardPhotos(recipe, signal), staleTime: 0 });

const cardsChanged = (client: QueryClient) => lists(client, "card photos");

export const useSendCardPhoto = (recipe: string) =>
  usePress(({ photo, key }: { photo: Blob; key: string }) => api.sendCardPhoto(recipe, photo, key), cardsChanged);

export const usePutAwayPhoto = () =>
  usePress(({ id, away }: { id: string; away: boolean }) => api.putAway(`/photos/${id}`, away), cardsChanged);
