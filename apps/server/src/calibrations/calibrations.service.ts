import { Inject, Injectable } from '@nestjs/common';
import type { Calibration, Picture, Press, TargetReading, ToneReading } from '@brachytone/core';
import { present } from '@brachytone/core';
import { SHIPPED_PRESSES } from '@brachytone/job';
import { FilesService } from '../files/files.service.ts';
import { notFound } from '../http/problem.ts';
import { ShelfService } from '../shelf/shelf.service.ts';
import { madeOrProblem } from '@brachytone/files/read';
import type { SimulatedOn } from '../work/tasks.ts';
import { WorkService } from '../work/work.service.ts';

/** Makes the targets of calibrations, and reads them. */
@Injectable()
export class CalibrationsService {
  constructor(
    @Inject(ShelfService) private readonly shelf: ShelfService,
    @Inject(FilesService) private readonly files: FilesService,
    @Inject(WorkService) private readonly work: WorkService,
  ) {}

  get(id: string): Promise<Calibration> {
    return this.shelf.get('calibration', id);
  }

  /** All films of the target as PDF. */
  async pdf(id: string): Promise<Uint8Array> {
    const calibration = await this.get(id);
    return this.work.run('target', { calibration, title: await this.titleOf(calibration), ink: undefined });
  }

  /** The film of an ink, by its place, as TIFF. */
  async film(id: string, ink: number): Promise<Uint8Array> {
    const calibration = await this.get(id);
    if (ink >= calibration.inks.length) throw notFound('such ink of this target');
    return this.work.run('target', { calibration, title: await this.titleOf(calibration), ink });
  }

  /** What a picture that was brought in says of the target. */
  async read(id: string, sha256: string): Promise<TargetReading> {
    const calibration = await this.get(id);
    const picture = await this.picture(sha256);
    return madeOrProblem(await this.work.run('readTarget', { calibration, picture }));
  }

  /** The target of a picture laid straight. */
  async straight(id: string, sha256: string): Promise<Uint8Array> {
    const calibration = await this.get(id);
    const picture = await this.picture(sha256);
    return madeOrProblem(await this.work.run('straightTarget', { calibration, picture }));
  }

  /** What the simulated instrument reads off a simulated print. */
  async simulatedReadings(id: string, gain: number): Promise<ToneReading[][]> {
    const calibration = await this.get(id);
    return this.work.run('simulatedReadings', { calibration, on: await this.simulatedOn(calibration, gain) });
  }

  /** A simulated scan of a simulated print, brought in like any picture. */
  async simulatedScan(id: string, gain: number): Promise<string> {
    const calibration = await this.get(id);
    const on = await this.simulatedOn(calibration, gain);
    const png = await this.work.run('simulatedScan', { calibration, on });
    return (await this.files.add(png)).sha256;
  }

  private async picture(sha256: string): Promise<Picture> {
    const { levels } = await this.files.pyramid(sha256);
    return present(levels[0], 'picture');
  }

  /** The simulated press of such a gain at 50 %, with the mesh of the press that is measured. */
  async simulatedOn({ press }: Pick<Calibration, 'press'>, gain: number): Promise<SimulatedOn> {
    const { mesh } = await this.press(press);
    return { gain, mesh };
  }

  private async press(id: string): Promise<Press> {
    return SHIPPED_PRESSES.find((one) => one.id === id) ?? this.shelf.get('press', id);
  }

  private async titleOf({ press, stock, resolution }: Calibration): Promise<string> {
    const { name } = await this.press(press);
    return `Target: ${name}, ${stock.name}, ${resolution} dpi`;
  }
}
