import { create } from 'zustand'

type Question = { text: string; answer: (yes: boolean) => void }

/** What somebody is asked before it is done: it does more than they may mean. The first is asked first. */
export const useQuestions = create<{ all: Question[] }>(() => ({ all: [] }))

/** Asks and waits. @returns whether it is wanted all the same */
export function confirmed(text: string): Promise<boolean> {
  return new Promise((resolve) => {
    const question: Question = {
      text,
      answer: (yes) => {
        useQuestions.setState((s) => ({ all: s.all.filter((q) => q !== question) }))
        resolve(yes)
      },
    }
    useQuestions.setState((s) => ({ all: [...s.all, question] }))
  })
}
