import type { ReactNode } from 'react';
import { useNavigate, useParams } from 'react-router';
import { STAGES, type StageId } from '../stages.ts';
import { FilmsStage, FilmsSummary } from './films/films-stage.tsx';
import { InksStage, InksSummary } from './inks/inks-stage.tsx';
import { OriginalStage, OriginalSummary } from './original/original-stage.tsx';
import { PressStage, PressSummary } from './press/press-stage.tsx';
import { ScreensStage, ScreensSummary } from './screens-stage.tsx';
import { ToneStage, ToneSummary } from './tone/tone-stage.tsx';

const PARTS: Record<StageId, { summary: () => ReactNode; controls: () => ReactNode }> = {
  original: { summary: OriginalSummary, controls: OriginalStage },
  tone: { summary: ToneSummary, controls: ToneStage },
  inks: { summary: InksSummary, controls: InksStage },
  screens: { summary: ScreensSummary, controls: ScreensStage },
  press: { summary: PressSummary, controls: PressStage },
  films: { summary: FilmsSummary, controls: FilmsStage },
};

/** The whole recipe, top to bottom; one stage open at a time, the others told in a line. */
export function Docket() {
  const { id, stage } = useParams();
  const navigate = useNavigate();
  return (
    <>
      {STAGES.map(({ id: name, name: title }, index) => {
        const open = stage === name;
        const { summary: Summary, controls: Controls } = PARTS[name];
        return (
          <section key={name} className={`perforated ${open ? 'bg-raised' : ''}`}>
            <h2>
              <button
                type="button"
                aria-expanded={open}
                className="flex h-9 w-full items-center gap-3 px-3.5 text-left"
                onClick={() => void navigate(`/jobs/${id}/${name}`, { replace: true })}
              >
                <span className="figures text-soft">{index + 1}</span>
                <span className="text-[13.5px]">{title}</span>
                <span className="figures ml-auto flex min-w-0 items-center gap-1.5 truncate font-normal text-soft">
                  <Summary />
                </span>
              </button>
            </h2>
            {open && (
              <div className="px-3.5 pb-4">
                <Controls />
              </div>
            )}
          </section>
        );
      })}
    </>
  );
}
