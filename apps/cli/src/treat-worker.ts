import { AskedWrongly, lineOf } from './failure.ts';
import { treatOne, type OnePicture, type TreatedOne, type TreatWishes } from './treat-one.ts';

/** What a thread is given: a picture, and its place among the shares that are there of each. */
export interface TreatTask {
  readonly picture: OnePicture;
  readonly wishes: TreatWishes;
  readonly shares: Float32Array<SharedArrayBuffer>;
  readonly at: number;
}

/** Errors lose their kind on the way out of a thread. */
export type TreatAnswer = TreatedOne | { readonly asked: string } | { readonly problem: string };

/** A thread that treats one picture after another. */
export default async function treat({ picture, wishes, shares, at }: TreatTask): Promise<TreatAnswer> {
  try {
    return await treatOne(picture, wishes, (share) => (shares[at] = share));
  } catch (error) {
    return error instanceof AskedWrongly ? { asked: error.message } : { problem: lineOf(error) };
  }
}
