import { Rows } from '../parts/Rows'
import { plural } from '../parts/words'
import { useByOrder } from '../server/queries'
import type { IntakeCut, Project } from '../server/types'

/** What was given and is not used, so that nothing that came goes unseen. */
export function UnusedRows({ project, cut }: { project: Project; cut: IntakeCut }) {
  const unused = useByOrder(project.id, cut.id).data?.unused
  return (
    <>
      <p className="mb-1 text-[13px] text-quiet">
        {!unused
          ? 'Looking'
          : unused.length === 0
            ? 'Every file that was given is used.'
            : `${plural(unused.length, 'file was', 'files were')} given that no cut of this project uses.`}
      </p>
      <Rows rows={unused ?? []} height={48} label="Files that are not used">
        {(file) => (
          <div className="flex h-full items-center gap-2 border-b border-line/70 text-[13px]">
            <span className="flex h-[38px] w-[60px] shrink-0 items-center justify-center overflow-hidden bg-deep text-[12px] text-quiet">
              {file.kind === 'sound' ? (
                'sound'
              ) : (
                <img src={`/api/media/${file.mediaId}/picture?width=240`} alt="" loading="lazy" className="h-full w-full object-cover" />
              )}
            </span>
            <span className="min-w-0 flex-1 truncate" title={file.path}>
              {file.path}
            </span>
          </div>
        )}
      </Rows>
    </>
  )
}
