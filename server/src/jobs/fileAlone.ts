import type { JobFile } from '@hestian/core'
import { evidenceNamed } from '@hestian/core'

/**
 * A job's file without its photographs and papers: it lists what it leaves out. The export and what
 * is attached to a PDF are the same.
 */
export function fileAlone(file: JobFile): JobFile {
  const leavesOut = evidenceNamed(file).map(({ hash }) => hash)
  return leavesOut.length > 0 ? { ...file, leavesOut } : file
}
