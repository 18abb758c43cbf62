import { labToHex, TEXTURES, type Stock, type Texture } from '@brachytone/core';
import { LIMITS, SHIPPED_STOCKS } from '@brachytone/job';
import { X } from 'lucide-react';
import { KeepForm } from '../../../controls/keep-form.tsx';
import { LabField } from '../../../controls/lab-field.tsx';
import { Menu, MenuAside, MenuHeading, MenuItem } from '../../../controls/menu.tsx';
import { FINE_MM, PLAIN } from '../../../words/quantity.ts';
import { Segmented } from '../../../controls/segmented.tsx';
import { SliderRow } from '../../../controls/slider-row.tsx';
import { TextField } from '../../../controls/text-field.tsx';
import { useDropStockMutation, useKeepStockMutation, useStocksQuery } from '../../../store/api.ts';
import { orSay } from '../../../store/or-say.ts';
import { edit } from '../../../store/job-slice.ts';
import { useAppDispatch } from '../../../store/store.ts';
import { useDocument } from '../../../store/use-job.ts';
import { Group, Row } from '../group.tsx';

const TEXTURE_NAMES: Record<Texture, string> = {
  smooth: 'Smooth',
  paper: 'Paper',
  card: 'Card',
  cloth: 'Cloth',
};

/** What is printed on. */
export function StockGroup() {
  const dispatch = useAppDispatch();
  const { stock } = useDocument().recipe;
  const [keep, { isLoading }] = useKeepStockMutation();
  const set = (label: string, change: Partial<Stock>, gesture: string | null = null) =>
    dispatch(
      edit(label, (draft) => void Object.assign(draft.recipe.stock, structuredClone(change)), gesture),
    );
  return (
    <Group name="Stock" aside={<StockShelf take={(one) => set(`Stock: ${one.name}`, one)} />}>
      <Row label="Name">
        <TextField
          label="Stock name"
          className="w-full"
          value={stock.name}
          onChange={(name) => set('Stock name', { name })}
        />
      </Row>
      <Row label="Colour">
        <LabField
          label="Stock colour"
          value={stock.lab}
          onChange={(lab, gesture) => set('Stock colour', { lab }, gesture)}
        />
      </Row>
      <div className="my-1">
        <Segmented
          label="Surface of the stock"
          wide
          value={stock.texture}
          options={TEXTURES.map((value) => ({ value, label: TEXTURE_NAMES[value] }))}
          onChange={(texture) => set('Surface of the stock', { texture })}
        />
      </div>
      <SliderRow
        label="Ink soaks in"
        value={stock.soak}
        unit={FINE_MM}
        {...LIMITS.soak}
        usual={[0, 0.3]}
        path={['recipe', 'stock', 'soak']}
        onChange={(soak, gesture) => set('Ink soaks in', { soak }, gesture)}
      />
      <SliderRow
        label="Light spreads"
        value={stock.yuleNielsen}
        unit={PLAIN}
        {...LIMITS.lightSpread}
        usual={[1, 2.5]}
        path={['recipe', 'stock', 'yuleNielsen']}
        onChange={(yuleNielsen, gesture) => set('Light spreads in the stock', { yuleNielsen }, gesture)}
      />
      <KeepForm
        invitation="Keep this stock on the shelf…"
        label="Name of the stock"
        busy={isLoading}
        keep={(name) => keep({ ...stock, name }).unwrap()}
      />
    </Group>
  );
}

/** Papers, cards and cloths to take from the shelf. */
function StockShelf({ take }: { take: (stock: Stock) => void }) {
  const { data: kept = [] } = useStocksQuery();
  const [drop] = useDropStockMutation();
  const name = ({ name: words, lab }: Stock) => (
    <span className="flex items-center gap-2">
      <span className="size-3.5 border border-ink/30" style={{ background: labToHex(lab) }} />
      {words}
    </span>
  );
  return (
    <Menu label="From the shelf" small>
      {kept.length > 0 && <MenuHeading>Your own</MenuHeading>}
      {kept.map(({ id, ...stock }) => (
        <div key={id} className="flex">
          <div className="grow">
            <MenuItem name={name(stock)} onPick={() => take(stock)} />
          </div>
          <MenuAside label={`Take ${stock.name} off the shelf`} onPick={() => orSay(drop(id).unwrap())}>
            <X size={13} />
          </MenuAside>
        </div>
      ))}
      {kept.length > 0 && <MenuHeading>Ready-made</MenuHeading>}
      {SHIPPED_STOCKS.map((stock) => (
        <MenuItem key={stock.name} name={name(stock)} onPick={() => take(stock)} />
      ))}
    </Menu>
  );
}
