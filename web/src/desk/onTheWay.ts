/** Somebody asked for a place, and the server is asked where that is. Keys that are pressed meanwhile are meant for that place. */

let way: Promise<boolean> | undefined

/** Goes somewhere. @param go resolves to whether one is there; where one is not, keys that waited are not meant for where one stayed */
export function onTheWay(go: () => Promise<boolean>): Promise<boolean> {
  const gone = go()
    .catch(() => false)
    // what is offered there is offered once it is shown
    .then((there) => new Promise<boolean>((then) => setTimeout(() => then(there))))
  way = gone
  void gone.then(() => {
    if (way === gone) {
      way = undefined
    }
  })
  return gone
}

/** Whether one came to the place that was asked for, once that is known; undefined where none was asked for. */
export const whenThere = () => way
