import { ContextMenu } from 'radix-ui'
import { type Action, useActionList } from '../desk/actions'
import { useOfDesk } from '../desk/desk'
import { readableKeys } from '../desk/keyWords'
import { itemAt } from '../parts/lists'

const ITEM = 'flex cursor-default items-center gap-4 rounded px-2 py-1 outline-none data-[highlighted]:bg-[#4a4a4a]'
const PANEL = 'scroll z-40 max-h-[70vh] min-w-[260px] rounded-lg border border-line bg-raised p-1.5 text-[13px] shadow-xl'

/** What can be done to what is chosen, under the right button: the same as everywhere, with its keys, so that they are learnt. */
export function TrackMenu({ children }: { children: React.ReactNode }) {
  return (
    <ContextMenu.Root>
      <ContextMenu.Trigger asChild>{children}</ContextMenu.Trigger>
      <ContextMenu.Portal>
        <ContextMenu.Content className={PANEL} collisionPadding={10} aria-label="What can be done here">
          <Offers />
        </ContextMenu.Content>
      </ContextMenu.Portal>
    </ContextMenu.Root>
  )
}

/** Opens it by key, at the playhead. */
export function openMenu(over: HTMLElement | null, x: number, y: number) {
  const box = over?.getBoundingClientRect()
  if (over && box) {
    over.dispatchEvent(
      new MouseEvent('contextmenu', {
        bubbles: true,
        cancelable: true,
        clientX: box.left + Math.max(0, Math.min(box.width, x)),
        clientY: box.top + y,
      }),
    )
  }
}

function Offers() {
  const { sound, seam } = useOfDesk('sound', 'seam')
  const lists = useActionList((s) => s.lists)
  const owners = sound !== undefined ? ['sound'] : seam !== undefined ? ['seam', 'clips'] : ['clips', 'masters']
  const all = owners.flatMap((o) => lists.get(o) ?? []).filter((a) => !a.disabled)
  const [first, ...others] = [...new Set(all.map((a) => a.group))]
  return (
    <>
      {others.map((group) => (
        <ContextMenu.Sub key={group}>
          <ContextMenu.SubTrigger className={ITEM}>
            <span className="flex-1">{group}</span>
            <span aria-hidden>▸</span>
          </ContextMenu.SubTrigger>
          <ContextMenu.Portal>
            <ContextMenu.SubContent className={PANEL} collisionPadding={10}>
              <Items actions={all.filter((a) => a.group === group)} />
            </ContextMenu.SubContent>
          </ContextMenu.Portal>
        </ContextMenu.Sub>
      ))}
      {others.length > 0 && <ContextMenu.Separator className="my-1 h-px bg-line" />}
      <Items actions={all.filter((a) => a.group === first)} />
    </>
  )
}

const Items = ({ actions }: { actions: Action[] }) =>
  actions.map((a) => (
    <ContextMenu.Item key={a.name} className={ITEM} onSelect={() => window.setTimeout(a.run)}>
      <span className="flex-1">{a.name}</span>
      {a.keys && <span className="key">{readableKeys(itemAt(a.keys.split(' '), 0))}</span>}
    </ContextMenu.Item>
  ))
