import { INTENTS } from '@brachytone/core';
import { USUAL_TAKING, type OriginalView, type Taking } from '@brachytone/job';
import { toast } from 'sonner';
import { Select } from '../../../controls/select.tsx';
import { SwitchRow } from '../../../controls/switch-row.tsx';
import { sentenceOf, useRetakeMutation } from '../../../store/api.ts';
import { useEditOriginal } from '../../../store/use-original.ts';
import { INTENT_NAMES } from '../../../words/intents.ts';
import { Row } from '../group.tsx';

/** How the colours of a CMYK file are taken by its profile. */
export function TakenAs({ file }: { file: OriginalView }) {
  const change = useEditOriginal();
  const [retake, { isLoading }] = useRetakeMutation();
  const { taken } = file.facts;
  const from = taken?.from ?? file.sha256;
  const { intent, compensate } = taken ?? USUAL_TAKING;
  const take = async (next: Taking) => {
    try {
      const isUsual = next.intent === USUAL_TAKING.intent && next.compensate === USUAL_TAKING.compensate;
      const sha256 = isUsual ? from : (await retake({ sha256: from, ...next }).unwrap()).sha256;
      change(
        'Colours of the file',
        (draft) => void ((draft.content as { picture: string }).picture = sha256),
      );
    } catch (error) {
      toast.error(sentenceOf(error));
    }
  };
  return (
    <>
      <Row label="Colours">
        <Select
          label="Rendering intent"
          value={intent}
          options={INTENTS.map((value) => ({
            value,
            name: isLoading ? 'Being taken…' : INTENT_NAMES[value],
          }))}
          onChange={(value) => void take({ intent: value, compensate })}
        />
      </Row>
      <SwitchRow
        label="Black point compensation"
        on={compensate}
        onChange={(on) => void take({ intent, compensate: on })}
      />
    </>
  );
}
