/** What newer versions of the program changed in the look of jobs that were made before. */
export const NOTICES = [
  {
    id: 'solids',
    says: 'This job was made before solids were kept solid. What is nearer to solid than to the largest dot now prints solid, so blacks, flat bands and lettering carry no pinholes. Where dots must stay apart, use Keep apart in Screens.',
  },
] as const;

export type NoticeId = (typeof NOTICES)[number]['id'];
