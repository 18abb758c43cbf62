import { sameName, type Calibration, type Press } from '@brachytone/core';

/** True where a press prints an ink of a calibration by it. */
export const isInUse = ({ inks, taken }: Pick<Calibration, 'inks' | 'taken'>, { inkGains }: Press): boolean =>
  taken !== null &&
  inks.some(({ ink }) => inkGains.some((one) => sameName(one.ink, ink.name) && one.calibrated === taken));
