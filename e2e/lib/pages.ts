/** Pages that stand beside a job: each is looked over for its words, its room and who can read it. */
export const SIDE_PAGES = [
  '/',
  '/new',
  '/bin',
  '/rounds',
  '/figures',
  '/job/brackenfold-old/keep?at=~old',
  '/devices',
  '/people',
  '/you',
  '/audit',
  '/server',
  '/sign-in',
  '/join#nobody',
  '/pair',
  '/nowhere',
  '/history/quillfeather',
] as const;
