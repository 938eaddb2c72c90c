/** Why a data folder was not opened, in sentences for the one who started Hodman. Nothing in it was changed. */
export class FolderRefused extends Error {}

const WHY: Readonly<Record<string, string>> = {
  ENOSPC: 'the disk is full',
  EDQUOT: 'what this user may keep on the disk is used up',
  EROFS: 'it lies on a disk that may only be read',
  EACCES: 'this user may not write there',
  EPERM: 'this user may not write there',
  ENOENT: 'there is no such place',
  ENOTDIR: 'a part of its path is a file',
  EIO: 'the disk does not answer as it should',
  // PostgreSQL’s own word for a full disk.
  '53100': 'the disk is full',
};

const codeOf = (error: unknown): string | undefined => {
  // Drizzle says in a cause what the database said.
  for (let at = error; typeof at === 'object' && at !== null; at = 'cause' in at ? at.cause : undefined)
    if ('code' in at && typeof at.code === 'string') return at.code;
  return undefined;
};

/** What a failure to write means, in words; undefined where it means something else. */
export const whyNotWritten = (error: unknown): string | undefined => WHY[codeOf(error) ?? ''];

export const isDiskFull = (error: unknown): boolean => whyNotWritten(error) === WHY.ENOSPC;
