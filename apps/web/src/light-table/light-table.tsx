import { startTransition, useEffect, useState } from 'react';
import { useParams } from 'react-router';
import { pictures } from '../engine/pictures.ts';
import { NotHere } from '../shell/not-here.tsx';
import { sentenceOf, useJobQuery } from '../store/api.ts';
import { leaveNothing } from '../store/autosave.ts';
import { bringBack } from '../store/bring-back.ts';
import { closed, opened } from '../store/job-slice.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { keepView } from '../store/kept-view.ts';
import { viewReset } from '../store/view-slice.ts';
import { AskFilms } from './ask-films.tsx';
import { Docket } from './docket/docket.tsx';
import { DroppedFiles } from './dropped-files.tsx';
import { Header } from './header.tsx';
import { KeyHelp } from './key-help.tsx';
import { Rack } from './rack/rack.tsx';
import { JobNotices } from './job-notices.tsx';
import { RunPressCheck } from './run-press-check.tsx';
import { Side } from './side.tsx';
import { SaveNotice } from './save-notice.tsx';
import { Table } from './table/table.tsx';
import { useKeys } from './use-keys.ts';

/** One job on the table. */
export function LightTable() {
  const { id = '' } = useParams();
  const dispatch = useAppDispatch();
  const { data, error } = useJobQuery(id, { refetchOnMountOrArgChange: true });
  const open = useAppSelector((state) => state.job?.id === id);
  useEffect(() => {
    if (!data || data.id !== id) return;
    let gone = false;
    let endKeeping: (() => void) | undefined;
    // They are on their way while the table is laid out.
    data.files.forEach(pictures.want);
    // What an earlier job has not saved yet goes first: the store holds one job.
    void leaveNothing().then(() => {
      if (gone) return;
      dispatch(viewReset());
      dispatch(opened(data));
      endKeeping = keepView(id);
      void dispatch(bringBack(data));
    });
    return () => {
      gone = true;
      endKeeping?.();
      void leaveNothing().then(() => dispatch(closed(id)));
    };
  }, [data, id, dispatch]);
  useEffect(() => {
    document.title = data ? `${data.document.name} · Brachytone` : 'Brachytone';
    return () => {
      document.title = 'Brachytone';
    };
  }, [data]);
  if (error) {
    return 'status' in error && error.status === 404 ? (
      <NotHere what="job" />
    ) : (
      <p className="m-10">{sentenceOf(error)}</p>
    );
  }
  if (!open) return <p className="m-10 text-soft">Opening the job…</p>;
  return <OpenTable />;
}

function OpenTable() {
  useKeys();
  // The table begins to draw before what stands around it is laid out.
  const [laidOut, setLaidOut] = useState(false);
  useEffect(() => startTransition(() => setLaidOut(true)), []);
  return (
    <div className="flex h-full min-w-[900px] flex-col overflow-hidden">
      <Header />
      <div className="flex min-h-0 grow">
        <aside
          aria-label="Docket"
          className="w-[308px] shrink-0 overflow-x-hidden overflow-y-auto border-r border-edge bg-card"
        >
          {laidOut && (
            <>
              <RunPressCheck />
              <JobNotices />
              <Docket />
            </>
          )}
        </aside>
        <Table />
        <Side />
      </div>
      <section
        aria-label="Plate rack"
        className="flex h-[124px] shrink-0 items-center gap-3 bg-rack px-3.5 max-md:h-[60px] max-md:overflow-hidden"
      >
        {laidOut && <Rack />}
      </section>
      <SaveNotice />
      <KeyHelp />
      <AskFilms />
      <DroppedFiles />
    </div>
  );
}
