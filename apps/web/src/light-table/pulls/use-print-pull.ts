import { present } from '@brachytone/core';
import { toast } from 'sonner';
import { sentenceOf, useCalibrationsQuery, usePrintPullMutation } from '../../store/api.ts';
import { useAppSelector } from '../../store/store.ts';

/** Prints the job's films on the simulated press that its own press was last calibrated on, and keeps the print as a pull; undefined where there is none. */
export function usePrintPull(): { readonly print: () => void; readonly isPrinting: boolean } | undefined {
  const job = useAppSelector((state) => present(state.job, 'open job'));
  const { data: calibrations = [] } = useCalibrationsQuery();
  const [ask, { isLoading }] = usePrintPullMutation();
  const press = job.document.recipe.press?.id;
  const found = calibrations.findLast((one) => one.press === press && one.simulatedGain !== null);
  if (!found) return undefined;
  const print = () => {
    const name = `Simulated print, +${found.simulatedGain} % at 50 %`;
    ask({ job: job.id, name, document: job.document, calibration: found.id })
      .unwrap()
      .catch((error: unknown) => toast.error(sentenceOf(error)));
  };
  return { print, isPrinting: isLoading };
}
