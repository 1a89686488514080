/** The views, each loaded when it is first needed, or once the window has nothing else to do. */
import { lazy } from 'react'

const LOADS = {
  Intake: () => import('../intake/Intake').then((m) => ({ default: m.Intake })),
  Conform: () => import('../conform/Conform').then((m) => ({ default: m.Conform })),
  Stage: () => import('../stage/Stage').then((m) => ({ default: m.Stage })),
  Renders: () => import('../renders/Renders').then((m) => ({ default: m.Renders })),
  Review: () => import('../review/Review').then((m) => ({ default: m.Review })),
  Turnover: () => import('../turnover/Turnover').then((m) => ({ default: m.Turnover })),
}

export const Intake = lazy(LOADS.Intake)
export const Conform = lazy(LOADS.Conform)
export const Stage = lazy(LOADS.Stage)
export const Renders = lazy(LOADS.Renders)
export const Review = lazy(LOADS.Review)
export const Turnover = lazy(LOADS.Turnover)

/** Loads all, so that changing the view waits for nothing. One that cannot be loaded now is tried again when it is opened. */
export const loadViews = () => Promise.allSettled(Object.values(LOADS).map((load) => load()))
