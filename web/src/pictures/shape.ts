import type { Project } from '../server/types'

/** Width over height of a project's picture, as CSS takes it. */
export const shapeOf = (project: Project) => `${project.pictureWidth} / ${project.pictureHeight}`
