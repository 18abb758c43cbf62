import { labToHex, type Stock, type StockPicture } from '@brachytone/core';
import { LIMITS, SHIPPED_STOCKS } from '@brachytone/job';
import { X } from 'lucide-react';
import { KeepForm } from '../../../controls/keep-form.tsx';
import { LabField } from '../../../controls/lab-field.tsx';
import { Menu, MenuAside, MenuHeading, MenuItem } from '../../../controls/menu.tsx';
import { FINE_MM, PLAIN } from '../../../words/quantity.ts';
import { SliderRow } from '../../../controls/slider-row.tsx';
import { TextField } from '../../../controls/text-field.tsx';
import { useDropStockMutation, useKeepStockMutation, useStocksQuery } from '../../../store/api.ts';
import { orSay } from '../../../store/or-say.ts';
import { edit } from '../../../store/job-slice.ts';
import { useAppDispatch } from '../../../store/store.ts';
import { useDocument } from '../../../store/use-job.ts';
import { Group, Row } from '../group.tsx';
import { StockSurface } from './stock-surface.tsx';

/** What is printed on. */
export function StockGroup() {
  const dispatch = useAppDispatch();
  const { stock, sheet } = useDocument().recipe;
  const [keep, { isLoading }] = useKeepStockMutation();
  const set = (label: string, change: Partial<Stock>, gesture: string | null = null) =>
    dispatch(
      edit(label, (draft) => void Object.assign(draft.recipe.stock, structuredClone(change)), gesture),
    );
  const replace = (label: string, next: Stock, gesture: string | null = null) =>
    dispatch(edit(label, (draft) => void (draft.recipe.stock = structuredClone(next) as never), gesture));
  const take = (one: Stock) => replace(`Stock: ${one.name}`, one);
  const setPicture = (picture: StockPicture | undefined, gesture?: string | null) => {
    const { picture: _, ...rest } = stock;
    replace('Picture of the stock', picture ? { ...rest, picture } : rest, gesture ?? null);
  };
  return (
    <Group name="Stock" aside={<StockShelf take={take} />}>
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
      <StockSurface stock={stock} width={sheet.width} set={set} setPicture={setPicture} />
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
