/** The server's types by the names that the window uses. All come from its own description. */
import type { components, operations } from './schema'

type Schemas = components['schemas']

export type ProjectBrief = Schemas['ProjectController.Brief']
export type Project = Schemas['ProjectController.View']
export type MasterView = Schemas['MasterView']
/** A master with the clips of the cut that it is held against. */
export type MasterChange = Schemas['MasterChange']
export type ListChange = Schemas['ListChange']
export type Master = MasterView & { cut: { clips: CutClips['clips'] } }
export type Clip = Schemas['MasterView.Clip']
export type BoardFit = Schemas['MasterView.Fit']
export type CutClip = Schemas['CutClips.Clip']
export type Seam = Schemas['MasterView.Seam']
/** Of what nothing was said there is nothing, or null. */
export type FrameNumbers = { first?: number | null; digits?: number | null }
export type OutputKind = Schemas['Output']['kind']
export type Output = Omit<Schemas['Output'], 'mostMb' | 'numbering'> & { mostMb?: number | null; numbering: FrameNumbers }
export type BurnIn = Schemas['BurnIn']
export type Recipe = Omit<Schemas['Recipe'], 'rate' | 'outputs'> & { rate?: string | null; outputs: Output[] }
export type NamedRecipe = Omit<Schemas['RecipeEdits.NamedRecipe'], 'recipe'> & { recipe: Recipe }
export type RenderAsk = Omit<Schemas['RenderController.Ask'], 'recipe'> & { recipe: Recipe }
export type Forecast = Schemas['RenderForecast.Forecast']
export type RenderFiles = Schemas['RenderFilesController.FilesView']
/** One of all edits of recipes, told apart by its kind. */
export type RecipeEdit =
  | { kind: 'KEEP_RECIPE'; name: string; recipe: Recipe }
  | { kind: 'RENAME_RECIPE'; name: string; to: string }
  | { kind: 'REMOVE_RECIPE' | 'MAKE_RECIPE_USUAL'; name: string }
export type LaidRender = Schemas['MasterView.Render']
export type MovieFrames = Schemas['MasterView.MovieFrames']
export type LaidSound = Schemas['MasterView.Sound']
export type PastStep = Schemas['ProjectController.Past']
export type PullView = Schemas['Pulls.View']
/** One of all edits of a master, told apart by its kind. */
export type MasterEdit = operations['editMaster']['requestBody']['content']['application/json']

/** One of all edits of a camera, told apart by its kind. */
export type CameraEdit = operations['editShotCamera']['requestBody']['content']['application/json']

/** One of all edits of a shot itself, told apart by its kind. */
export type ShotEdit = operations['editShot']['requestBody']['content']['application/json']
/** One of all edits of a set and the viewpoints in it, told apart by its kind. */
export type SetEdit = operations['editSet']['requestBody']['content']['application/json']
/** One of all edits of a project's scenes, told apart by its kind. */
export type SceneEdit = operations['editScenes']['requestBody']['content']['application/json']
export type Position = Schemas['Positions.Position']
export type IntakeCut = Schemas['IntakeView']
export type PlannedShot = Schemas['IntakeView.Shot']
export type Note = Schemas['IntakeView.Note']
export type Numbering = Schemas['Numbering']
export type Arrival = Schemas['Arrival']
export type SourceView = Schemas['SourceList.View']
export type SourceFile = Schemas['FileView']
export type PairsByOrder = Schemas['PairsByOrder.View']
export type SourceFiles = Schemas['SourceController.Files']
export type Ways = Schemas['IntakeController.Ways']
export type EventFix = Schemas['IntakeController.EventFix']
export type AddInView = Schemas['ThingController.AddInView']
export type Task = Schemas['Tasks.View']
export type Example = Schemas['IntakeController.Example']
export type HandBack = Schemas['HandBackController.HandBackView']
export type OutOfDate = Schemas['TurnoverController.OutOfDate']
export type Applied = Schemas['TurnoverController.AppliedView']
export type SameSource = Schemas['TurnoverView.SameSource']
export type Turnover = Schemas['TurnoverView']
export type Change = Schemas['TurnoverView.Change']
export type StageShot = Schemas['StageView'] & { edit?: number }
export type StageKey = Schemas['StageView.KeyView']
export type StageItem = Schemas['StageView.ItemView']
export type Reach = NonNullable<Extract<CameraEdit, { kind: 'SET' }>['reach']>
export type StageLayer = Schemas['StageView.LayerView']
export type CameraMove = Schemas['MoveController.MoveView']
export type CameraLine = Schemas['CameraTable.Line']
export type StageTie = Schemas['StageView.TieView']
export type FocusRuler = Schemas['FocusRuler']
export type Program = Schemas['StageController.Program']
export type Render = Schemas['RenderController.View']
export type Offer = Schemas['Elsewhere.Offer']
export type SheetAsk = Schemas['SheetController.SheetAsk']
export type Machine = Schemas['MachinesController.MachineView']
export type MachineKey = Schemas['MachinesController.KeyView']
export type MasterBrief = Schemas['Masters.Brief']
export type CutClips = Schemas['CutClips']
export type TrackView = Schemas['MasterView.Track']
export type Marker = Schemas['MasterView.Marker']
export type NewClip = Schemas['NewClip']
export type Renumbered = Schemas['Renumbering.Change']
export type Here = Schemas['LiveUpdates.Whereabouts']
