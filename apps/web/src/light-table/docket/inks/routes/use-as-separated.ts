import { ROUTES, type OriginalRecipe } from '@brachytone/core';
import { newRoute, separatedInks, withRoute } from '@brachytone/job';
import { toast } from 'sonner';
import { sentenceOf, useChannelsMutation, useLazyProfileQuery } from '../../../../store/api.ts';
import { useEditRecipe } from '../../../../store/use-edit-recipe.ts';

/** Sends the channels of a separated file to inks of their own, as they are; its profile, if it has one, tells the inks and the paper. */
export function useAsSeparated(): (original: OriginalRecipe) => Promise<void> {
  const editRecipe = useEditRecipe();
  const [fetchChannels] = useChannelsMutation();
  const [fetchProfile] = useLazyProfileQuery();
  return async ({ id, content }) => {
    if (content.kind !== 'picture') return;
    try {
      const { channels, profile } = await fetchChannels(content.picture).unwrap();
      const press = profile === null ? undefined : await fetchProfile(profile).unwrap();
      editRecipe(ROUTES.separated.name, (one) => {
        const { inks, ...rest } = separatedInks(
          one,
          channels.map(({ name }) => name),
          press,
        );
        const start = newRoute(
          'separated',
          one,
          id,
          [],
          channels.map(({ picture }, i) => ({ picture: picture.sha256, ink: inks[i] })),
        );
        return withRoute(one, id, { ...start, ...rest, replaces: true });
      });
    } catch (error) {
      toast.error(sentenceOf(error));
    }
  };
}
