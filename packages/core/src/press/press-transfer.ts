import { STRAIGHT_TRANSFER, transferByTable, type Transfer } from '../screen/transfer.ts';
import { gainTable, inverseGain, isStraight, type Gain } from './gain.ts';

/** What the press makes of the film's coverage. */
export const gainTransfer = (gain: Gain): Transfer =>
  isStraight(gain)
    ? STRAIGHT_TRANSFER
    : transferByTable(`gain ${JSON.stringify(gain)}`, () => gainTable(gain));

/** The film that the press makes what is asked of. */
export const compensation = (gain: Gain): Transfer =>
  isStraight(gain)
    ? STRAIGHT_TRANSFER
    : transferByTable(`against gain ${JSON.stringify(gain)}`, () => inverseGain(gainTable(gain)));
