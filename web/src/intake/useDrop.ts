import { useRef, useState } from 'react'
import { setDesk } from '../desk/desk'
import { say, sayError } from '../desk/messages'
import { itemAt } from '../parts/lists'
import { plural } from '../parts/words'
import type { Given } from '../server/client'
import { refreshEdited } from '../server/queries'
import { BATCH, sent } from '../server/sending'
import type { Project } from '../server/types'

export type Progress = { text: string; share: number | undefined; stop: () => void }

const isCut = (file: Given) => /\.(edl|xml|aaf|otioz?)$/i.test(file.path)

/** Files and folders dropped anywhere, or chosen. The cut goes first, so that it is seen while the pictures still come. */
export function useDrop(project: Project) {
  const field = useRef<HTMLInputElement>(null)
  const [over, setOver] = useState(false)
  const [progress, setProgress] = useState<Progress>()

  const take = async (given: Given[]) => {
    const files = [...given.filter(isCut), ...given.filter((f) => !isCut(f))]
    const control = new AbortController()
    const count = { taken: 0, found: 0, listed: 0 }
    try {
      for (const batch of batches(files)) {
        const done = count.taken
        const told = (share: number) =>
          setProgress({
            text: share < 1 ? `Taking in ${nameOf(files)}` : `Looking at ${nameOf(files)}`,
            share: files.length > 1 || share < 1 ? (done + batch.length * share * 0.9) / files.length : undefined,
            stop: () => control.abort(),
          })
        told(0)
        const waits = (on: boolean) =>
          setProgress({
            text: on
              ? `The server does not answer: ${plural(files.length - done, 'file')} will be sent when it does`
              : `Taking in ${nameOf(files)}`,
            share: done / files.length,
            stop: () => control.abort(),
          })
        const arrived = await sent(project.id, batch, told, control.signal, waits)
        arrived.refused.forEach((text) => sayError(new Error(text)))
        count.taken += batch.length
        count.found += arrived.found
        count.listed += arrived.listed
        if (arrived.cutId) {
          setDesk({ cutId: arrived.cutId, view: 'Intake' })
        }
        refreshEdited(project.id)
      }
      if (files.length > 1 || count.found > 0) {
        say(
          `${plural(files.length, 'file')} taken in${count.found ? `, ${count.found} that ${count.found === 1 ? 'was' : 'were'} missing ${count.found === 1 ? 'is' : 'are'} in place` : ''}`,
        )
      } else if (count.listed > 0) {
        say(`A list of checksums of ${plural(count.listed, 'file')}`)
      }
    } catch (e) {
      sayError(e)
    }
    setProgress(undefined)
  }

  const target = {
    onDragOver: (e: React.DragEvent) => {
      e.preventDefault()
      setOver(true)
    },
    onDragLeave: (e: React.DragEvent) => e.currentTarget === e.target && setOver(false),
    onDrop: (e: React.DragEvent) => {
      e.preventDefault()
      setOver(false)
      const entries = [...e.dataTransfer.items].map((i) => i.webkitGetAsEntry()).filter((x) => x !== null)
      const plain = [...e.dataTransfer.files].map(alone)
      void (entries.some((x) => x.isDirectory) ? Promise.all(entries.map(filesOf)).then((all) => take(all.flat())) : take(plain))
    },
  }
  return { field, over, progress, target, take, choose: () => field.current?.click() }
}

/** A file that was chosen, with its folders where a whole folder was. */
export const alone = (file: File): Given => ({ file, path: file.webkitRelativePath || file.name })

const nameOf = (files: Given[]) => (files.length === 1 ? itemAt(files, 0).file.name : `${files.length} files`)

function batches(files: Given[]): Given[][] {
  const cuts = files.filter(isCut)
  const rest = files.slice(cuts.length)
  const all = cuts.length > 0 ? [cuts] : []
  for (let i = 0; i < rest.length; i += BATCH) {
    all.push(rest.slice(i, i + BATCH))
  }
  return all
}

/** All files below a dropped entry. */
async function filesOf(entry: FileSystemEntry): Promise<Given[]> {
  if (entry.isFile) {
    const file = await new Promise<File>((ok, no) => (entry as FileSystemFileEntry).file(ok, no))
    return [{ file, path: entry.fullPath.replace(/^\//, '') }]
  }
  const reader = (entry as FileSystemDirectoryEntry).createReader()
  const all: FileSystemEntry[] = []
  for (;;) {
    const some = await new Promise<FileSystemEntry[]>((ok, no) => reader.readEntries(ok, no))
    if (some.length === 0) {
      return (await Promise.all(all.map(filesOf))).flat().filter((f) => !f.file.name.startsWith('.'))
    }
    all.push(...some)
  }
}
