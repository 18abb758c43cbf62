import {
  filmFormat,
  filmLayout,
  panelsOf,
  quietSeams,
  SEAM_STEP,
  stripsOf,
  type Panels,
} from '@brachytone/core';
import { LIMITS, newPanels, paperOf, PAPERS } from '@brachytone/job';
import { useState } from 'react';
import { toast } from 'sonner';
import { Button } from '../../../controls/button.tsx';
import { NumberField } from '../../../controls/number-field.tsx';
import { Select } from '../../../controls/select.tsx';
import { inWorker } from '../../../engine/engine.ts';
import { FIRST } from '../../../engine/ranks.ts';
import { edit } from '../../../store/job-slice.ts';
import { useAppDispatch } from '../../../store/store.ts';
import { useDocument } from '../../../store/use-job.ts';
import { SMALL_MM } from '../../../words/quantity.ts';
import { Fact, Group, ResetButton, Row } from '../group.tsx';
import { useDownload } from './use-download.ts';

/** The format whose films are cut into panels. */
const CUT = 'pdf-films';
const WHOLE = 'whole';
const OWN = 'own';

/** Films cut for a printer that is too small for them. */
export function PanelsGroup() {
  const dispatch = useAppDispatch();
  const { films, recipe } = useDocument();
  const { panels } = films;
  const [isSeeking, setSeeking] = useState(false);
  const put = (label: string, next: Panels | null, gesture: string | null = null) =>
    dispatch(edit(label, (draft) => void Object.assign(draft.films, { panels: next }), gesture));
  const own = panels && !paperOf(panels);
  const choices = [
    { value: WHOLE, name: 'Whole, on one sheet' },
    ...PAPERS.map(({ id, name }) => ({ value: id, name })),
    ...(own ? [{ value: OWN, name: `${panels.paper.width} × ${panels.paper.height} mm` }] : []),
  ];
  const choose = (id: string) => {
    const paper = PAPERS.find((one) => one.id === id);
    if (id === WHOLE) put('Whole films', null);
    else if (paper) put(`Panels on ${paper.name}`, newPanels(paper, recipe, panels));
  };
  const seek = async (from: Panels) => {
    const strips = stripsOf(from, filmLayout(recipe));
    if (!strips) return;
    setSeeking(true);
    try {
      const costs = await inWorker((worker) => worker.seamCosts(recipe, from), { rank: FIRST });
      put('Quiet seams', {
        ...from,
        across: quietSeams(strips.across, costs.across, SEAM_STEP),
        down: quietSeams(strips.down, costs.down, SEAM_STEP),
      });
    } catch (error) {
      toast.error((error as Error).message);
    } finally {
      setSeeking(false);
    }
  };
  return (
    <Group name="Panels">
      <Row label="Printed">
        <Select
          label="Printer’s paper"
          value={panels ? (paperOf(panels)?.id ?? OWN) : WHOLE}
          options={choices}
          onChange={choose}
        />
      </Row>
      {panels && (
        <>
          <PanelNumbers panels={panels} put={put} />
          <PanelFacts panels={panels} />
          {films.format !== CUT && (
            <p className="text-soft">
              Films leave whole as {filmFormat(films.format).name}; {filmFormat(CUT).name} is cut.
            </p>
          )}
          <div className="mt-1.5 flex gap-2">
            <Button
              className="!h-7 grow justify-center"
              disabled={isSeeking}
              onClick={() => void seek(panels)}
            >
              {isSeeking ? 'Looking…' : 'Find quiet seams'}
            </Button>
            <Button
              className="!h-7 grow justify-center"
              onClick={() => put('Even seams', { ...panels, across: [], down: [] })}
            >
              Even seams
            </Button>
          </div>
          <KeptWholeList panels={panels} put={put} />
          <PrintInPanels />
        </>
      )}
    </Group>
  );
}

type Put = (label: string, next: Panels, gesture?: string | null) => void;

function PanelNumbers({ panels, put }: { panels: Panels; put: Put }) {
  const rows = [
    ['Margin', 'margin', 'Edge of the paper that the printer leaves bare'],
    ['Overlap', 'overlap', 'What neighbours have in common'],
    ['Ruler is', 'ruler', 'What the printed ruler of 100 mm measured: the rest is corrected by it'],
  ] as const;
  return rows.map(([label, name, title]) => (
    <Row key={name} label={label}>
      <span title={title}>
        <NumberField
          label={label}
          value={panels[name]}
          unit={SMALL_MM}
          {...LIMITS.panels[name]}
          onChange={(value) => put(`${label} of panels`, { ...panels, [name]: value })}
        />
      </span>
    </Row>
  ));
}

function PanelFacts({ panels }: { panels: Panels }) {
  const { recipe } = useDocument();
  const parts = panelsOf(panels, filmLayout(recipe));
  if (parts.length === 0)
    return <p className="text-warn">The paper is too small for its margin and overlap. Take a larger one.</p>;
  const columns = Math.max(...parts.map(({ column }) => column)) + 1;
  const rows = Math.max(...parts.map(({ row }) => row)) + 1;
  return (
    <Fact label="Sheets">
      {columns} × {rows}, and one to put them together by
    </Fact>
  );
}

/** Pixels per inch of the print in panels: what a printer of pictures can show of dots. */
const PRINT_PPI = 200;

/** The print itself in panels, for a printer of pictures. */
function PrintInPanels() {
  const { download, busy } = useDownload();
  return (
    <Button
      className="mt-2 w-full justify-center"
      disabled={busy !== undefined}
      title="The print in its colours, cut where its films are, as a PDF for a printer of pictures"
      onClick={() => download(`panels.pdf?ppi=${PRINT_PPI}`)}
    >
      {busy ? 'Making it…' : 'Save the print in panels'}
    </Button>
  );
}

/** Parts that no seam is to cross, each to be moved on the table. */
function KeptWholeList({ panels, put }: { panels: Panels; put: Put }) {
  const { recipe } = useDocument();
  const { width, height } = recipe.sheet;
  const add = () => {
    const side = Math.min(width, height) / 4;
    const box = { x: (width - side) / 2, y: (height - side) / 2, width: side, height: side };
    put('Keep a part whole', { ...panels, whole: [...panels.whole, box] });
  };
  return (
    <div className="mt-1.5 flex items-baseline justify-between text-soft">
      <span>
        {panels.whole.length === 0
          ? 'A face is to stay whole?'
          : `${panels.whole.length} kept whole: move ${panels.whole.length === 1 ? 'it' : 'them'} on the table.`}
      </span>
      <span className="flex gap-2">
        <ResetButton label="Keep a part whole" onClick={add} />
        {panels.whole.length > 0 && (
          <ResetButton label="None" onClick={() => put('No part kept whole', { ...panels, whole: [] })} />
        )}
      </span>
    </div>
  );
}
