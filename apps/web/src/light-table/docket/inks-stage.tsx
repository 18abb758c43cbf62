import { PERCENT } from '../../controls/quantity.ts';
import { ColourField } from '../../controls/colour-field.tsx';
import { SliderRow } from '../../controls/slider-row.tsx';
import { TextField } from '../../controls/text-field.tsx';
import { edit } from '../../store/job-slice.ts';
import { useAppDispatch } from '../../store/store.ts';
import { useDocument } from '../../store/use-job.ts';
import { linearToHex, overprints } from '@brachytone/core';
import { Group, Row } from './group.tsx';

/** An ink's real colour on the chosen stock. */
export function InkChip({ index, large = false }: { index: number; large?: boolean }) {
  const { recipe } = useDocument();
  const colour = linearToHex(overprints(recipe.stock.colour, [recipe.inks[index]])[1]);
  return (
    <span
      aria-hidden="true"
      className={`inline-block shrink-0 rounded-full border border-ink/20 ${large ? 'size-5' : 'size-3'}`}
      style={{ background: colour }}
    />
  );
}

export function InksSummary() {
  const { recipe } = useDocument();
  return (
    <>
      {recipe.inks.map((ink, i) => (
        <InkChip key={ink.id} index={i} />
      ))}
      <span className="truncate">{recipe.inks.map(({ name }) => name).join(', ')}</span>
    </>
  );
}

export function InksStage() {
  const dispatch = useAppDispatch();
  const { recipe } = useDocument();
  return (
    <>
      {recipe.inks.map((ink, i) => (
        <Group key={ink.id} name="Ink" aside={<InkChip index={i} large />}>
          <Row label="Name">
            <TextField
              label="Ink name"
              className="w-full"
              value={ink.name}
              onChange={(name) =>
                dispatch(edit('Ink name', (draft) => void (draft.recipe.inks[i].name = name)))
              }
            />
          </Row>
          <Row label="Solid on white">
            <ColourField
              label="Ink colour"
              value={ink.colour}
              onChange={(colour, gesture) =>
                dispatch(edit('Ink colour', (draft) => void (draft.recipe.inks[i].colour = colour), gesture))
              }
            />
          </Row>
          <SliderRow
            label="Covers"
            value={Math.round(ink.opacity * 1000) / 10}
            unit={PERCENT}
            least={0}
            most={100}
            onChange={(percent, gesture) =>
              dispatch(
                edit('Ink opacity', (draft) => void (draft.recipe.inks[i].opacity = percent / 100), gesture),
              )
            }
          />
          <p className="text-soft">At 0 % the stock shines through the ink; at 100 % the ink hides it.</p>
        </Group>
      ))}
      <Group name="Stock">
        <Row label="Name">
          <TextField
            label="Stock name"
            className="w-full"
            value={recipe.stock.name}
            onChange={(name) =>
              dispatch(edit('Stock name', (draft) => void (draft.recipe.stock.name = name)))
            }
          />
        </Row>
        <Row label="Colour">
          <ColourField
            label="Stock colour"
            value={recipe.stock.colour}
            onChange={(colour, gesture) =>
              dispatch(edit('Stock colour', (draft) => void (draft.recipe.stock.colour = colour), gesture))
            }
          />
        </Row>
      </Group>
    </>
  );
}
