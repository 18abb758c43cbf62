import { AlertDialog } from 'radix-ui';
import { useNavigate, useParams } from 'react-router';
import { Button } from '../controls/button.tsx';
import { filmsAsked } from '../store/check-slice.ts';
import { useAppDispatch, useAppSelector } from '../store/store.ts';
import { useMakeFilms } from './use-make-films.ts';

/** Asks once before films are made that will fail on the press. */
export function AskFilms() {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const { id } = useParams();
  const { asking, findings } = useAppSelector((state) => state.check);
  const [makeFilms] = useMakeFilms();
  const close = () => dispatch(filmsAsked(false));
  return (
    <AlertDialog.Root open={asking} onOpenChange={(open) => !open && close()}>
      <AlertDialog.Portal>
        <AlertDialog.Content className="fixed top-1/2 left-1/2 z-30 w-[460px] -translate-1/2 rounded-sm border border-ink bg-raised p-5">
          <AlertDialog.Title className="mb-2 text-[15px]">
            These films will fail on this press
          </AlertDialog.Title>
          <AlertDialog.Description asChild>
            <ul className="mb-4 flex flex-col gap-1.5">
              {findings
                ?.filter(({ severity }) => severity === 'fail')
                .map(({ says }) => (
                  <li key={says} className="border-l-4 border-ruby pl-2">
                    {says}
                  </li>
                ))}
            </ul>
          </AlertDialog.Description>
          <div className="flex justify-end gap-2">
            <AlertDialog.Action asChild>
              <Button
                onClick={() => {
                  close();
                  makeFilms(true);
                }}
              >
                Make them all the same
              </Button>
            </AlertDialog.Action>
            <AlertDialog.Cancel asChild>
              <Button
                kind="main"
                onClick={() => {
                  close();
                  void navigate(`/jobs/${id}/press`, { replace: true });
                }}
              >
                See what can be mended
              </Button>
            </AlertDialog.Cancel>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
