import { SHIPPED_SCREENS, type NamedScreen } from '@brachytone/job';
import { ScreenSwatch } from '../light-table/docket/screen-swatch.tsx';
import { screenWords } from '../words/words.ts';
import { sentenceOf, useDropScreenMutation, useScreensQuery } from '../store/api.ts';
import { orSay } from '../store/or-say.ts';
import { ShelfCard, ShelfPart, Shelves } from './shelves.tsx';

/** Screens to use again, each drawn by the engine. */
export function ScreenShelfPage() {
  const { data: kept = [], error } = useScreensQuery();
  const [drop] = useDropScreenMutation();
  const card = (one: NamedScreen, id?: string) => (
    <ShelfCard
      key={id ?? one.name}
      name={one.name}
      words={screenWords(one.screen)}
      picture={
        <span className="block h-[86px] overflow-hidden bg-white">
          <ScreenSwatch screen={one.screen} width={288} height={86} tones={[4, 88]} mark={14} />
        </span>
      }
      {...(id
        ? {
            onDrop: () => orSay(drop(id).unwrap()),
          }
        : {})}
    />
  );
  return (
    <Shelves>
      {error && <p className="text-ruby">{sentenceOf(error)}</p>}
      <ShelfPart name="Your own" empty="No screen of your own yet. Keep one from a job, under its screens.">
        {kept.map(({ id, ...one }) => card(one, id))}
      </ShelfPart>
      <ShelfPart name="Ready-made">{SHIPPED_SCREENS.map((one) => card(one))}</ShelfPart>
    </Shelves>
  );
}
