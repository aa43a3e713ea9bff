import type { components, paths } from './schema'
import type { GrammatusDatasetDefinitionFormatVersion1 as DatasetDefinition } from './dataset-definition'
import type {
  GrammatusHouseStyleFormatVersion1 as HouseStyle,
  MarkLook,
  StyleParts,
} from './style-definition'
import { complete, documentOf } from './documents'
import { answer, file, http, security } from './http'
import type { Document, Report } from './report'

export type Session = components['schemas']['SessionView']
export type FirstBody = components['schemas']['FirstBody']
/** A window in which a report is changed, and the draft that it knows of. */
export type EditingWindow = components['schemas']['Window']
export type Unreadable = components['schemas']['Unreadable']
export type ReportLine = components['schemas']['ReportLine']
export type ReportView = components['schemas']['ReportView']
export type PromptView = components['schemas']['PromptView']
export type AnswerView = components['schemas']['AnswerView']
export type RunView = components['schemas']['RunView']
/** The formats that a run can be had in as a file. */
export type FileFormat = paths['/api/runs/{id}/file']['get']['parameters']['query']['format']
export type PageView = components['schemas']['PageView']
export type FlatList = components['schemas']['FlatList']
export type OutlineEntry = components['schemas']['Entry']
export type ProblemView = components['schemas']['ProblemView']
export type DatasetLine = components['schemas']['DatasetLine']
export type DatasetView = components['schemas']['DatasetView']
export type FieldView = components['schemas']['FieldView']
export type FieldValue = components['schemas']['Value']
export type DatasetProfile = components['schemas']['DatasetProfile']
export type FieldDetail = components['schemas']['FieldDetail']
export type DataRows = components['schemas']['DataRows']
export type FoundData = components['schemas']['FoundData']
export type FoundPlace = components['schemas']['Place']
export type CheckView = components['schemas']['CheckView']
export type UsesView = components['schemas']['UsesView']
export type EffectView = components['schemas']['EffectView']
export type SourceLine = components['schemas']['SourceLine']
export type SourceDetail = components['schemas']['SourceSettings']
export type SourceBody = components['schemas']['SourceBody']
export type ColumnView = components['schemas']['ColumnView']
export type JoinBody = components['schemas']['JoinBody']
export type JoinTrial = components['schemas']['JoinTrial']
export type Suggestions = components['schemas']['SuggestionsView']
/** What an edit looks like; with the report itself where a named edit was made to it. */
export type PreviewView = Omit<components['schemas']['PreviewView'], 'definition'> & { definition?: Report }
export type ReportEdit = components['schemas']['ReportEdit']
export type Offers = components['schemas']['OffersView']
export type ColumnOrder = components['schemas']['ColumnOrder']
export type Change = components['schemas']['Change']
export type WhyFigure = components['schemas']['WhyFigure']
export type KeptAnswers = components['schemas']['Kept']
export type WhyAbsent = components['schemas']['WhyAbsent']
export type CalendarView = components['schemas']['CalendarView']
export type CalendarBody = Required<components['schemas']['CalendarBody']>
export type SourceAnswer = components['schemas']['SourceAnswer']
export type SelectionSummary = components['schemas']['SelectionSummary']
export type WhyOrder = components['schemas']['WhyOrder']
export type RowsBehind = components['schemas']['RowsBehind']
export type PathStep = components['schemas']['PathStep']
export type MarkedPlaces = components['schemas']['MarkedPlaces']
export type NarrowableField = components['schemas']['NarrowableField']
export type StripsView = components['schemas']['StripsView']
export type Hit = components['schemas']['Hit']
export type AddedFace = components['schemas']['AddedFace']
export type StyleLine = components['schemas']['StyleView']
export type StyleEditing = components['schemas']['StyleEditingView']
export type StyleRevision = components['schemas']['StyleRevision']
export type WholeStyle = components['schemas']['WholeStyleView']
export type MarkStyle = components['schemas']['MarkStyle']
export type Answers = Record<string, string>

/** A definition to be seen. */
export interface PreviewAsked {
  definition: Report
  answers: Answers
  page: number
  /** A named edit to be made to it first. */
  change?: ReportEdit
  /** Id of the block that is worked on. */
  block?: string
  /** Id of the innermost level that is shown; none shows all. */
  downTo?: string
  /** A house style that is being changed; the report's own unless given. */
  style?: HouseStyle
}

export { ApiError, whenUnauthorised, type NamedFile } from './http'
export type { HouseStyle, MarkLook, StyleParts }
export type * from './report'

/** A dataset's document. */
export interface DatasetDocument {
  definition: DatasetDefinition
}

/** A report to be changed, with what this person has changed but not saved. */
export interface Editing {
  definition: Report
  revision: number
  editable: boolean
  draft?: { definition: Report; base: number; updatedAt: number; window?: string }
}

/** The same as the server keeps it. */
interface Kept extends Omit<Editing, 'definition' | 'draft'> {
  definition: Document
  draft?: { definition: Document; base: number; updatedAt: number }
}

/** How a reader looks at a report, as addresses write it. */
export interface View {
  order: string[]
  only: string[]
  except: string[]
  narrow: string[]
  widths: string[]
  whole: string[]
  downTo?: string
  markedOnly?: boolean
}

/** The path of one report, dataset, run or the like. */
const of = (id: string) => ({ params: { path: { id } } })

/** The same with parameters in the query. */
const asking = <Q>(id: string, query: Q) => ({ params: { path: { id }, query } })

/** Parameters in the query alone. */
const queried = <Q>(query: Q) => ({ params: { query } })

/** The server's interface. */
export const api = {
  session: () => answer(http.GET('/api/session')),
  signIn: (name: string, password: string) =>
    security('/api/session', new URLSearchParams({ name, password })),
  setUp: (body: FirstBody) => answer(http.POST('/api/set-up', { body })),
  changePassword: (present: string, next: string) =>
    answer(http.PUT('/api/session/password', { body: { present, next } })),
  signOut: () => security('/api/session/end'),
  reports: () => answer(http.GET('/api/reports')),
  report: (report: string) => answer(http.GET('/api/reports/{id}', of(report))),
  resolve: (report: string, answers: Answers) =>
    answer(http.POST('/api/reports/{id}/answers', { ...of(report), body: { answers } })),
  /** What can be chosen at a prompt, given the answers above it; of some values alone, those that still can. */
  choices: (report: string, prompt: string, answers: Answers, find: string, only?: string[]) =>
    answer(http.POST('/api/reports/{id}/choices', { ...of(report), body: { prompt, answers, find, only } })),
  /** What a definition that is being edited asks, with what answers stand for. */
  draftPrompts: (definition: Report, answers: Answers) =>
    answer(http.POST('/api/previews/prompts', { body: { definition, answers } })),
  draftChoices: (definition: Report, prompt: string, answers: Answers, find: string, only?: string[]) =>
    answer(http.POST('/api/previews/choices', { body: { definition, prompt, answers, find, only } })),
  keptAnswers: (report: string) =>
    answer(http.GET('/api/reports/{report}/kept-answers', { params: { path: { report } } })),
  keepAnswers: (report: string, name: string, forAll: boolean, answers: Answers) =>
    answer(
      http.POST('/api/reports/{report}/kept-answers', {
        params: { path: { report } },
        body: { name, forAll, answers },
      }),
    ),
  discardAnswers: (report: string, kept: number) =>
    answer(
      http.DELETE('/api/reports/{report}/kept-answers/{id}', { params: { path: { report, id: kept } } }),
    ),
  addReport: (definition: Report) => answer(http.POST('/api/reports', { body: documentOf(definition) })),
  editing: async (report: string): Promise<Editing> => {
    const { definition, draft, ...rest } = (await answer(
      http.GET('/api/reports/{id}/editing', of(report)),
    )) as Kept
    return {
      ...rest,
      definition: complete(definition),
      ...(draft ? { draft: { ...draft, definition: complete(draft.definition) } } : {}),
    }
  },
  /** Sent even while the page is being left. */
  keepDraft: (report: string, definition: Report, base: number, window: EditingWindow) =>
    answer(
      http.PUT('/api/reports/{id}/draft', {
        ...of(report),
        body: { definition: documentOf(definition), base, window },
        keepalive: true,
      }),
    ),
  discardDraft: (report: string) => answer(http.DELETE('/api/reports/{id}/draft', of(report))),
  save: (report: string, definition: Report, base: number, window: EditingWindow) =>
    answer(
      http.PUT('/api/reports/{id}', {
        ...of(report),
        body: { definition: documentOf(definition), base, window },
      }),
    ),
  copy: (report: string, title: string, definition?: Report) =>
    answer(
      http.POST('/api/reports/{id}/copy', {
        ...of(report),
        body: { title, definition: definition && documentOf(definition) },
      }),
    ),
  change: (report: string, change: Change) =>
    answer(http.PATCH('/api/reports/{id}', { ...of(report), body: change })),
  deleteReport: (report: string) => answer(http.DELETE('/api/reports/{id}', of(report))),
  restore: (report: string) => answer(http.POST('/api/reports/{id}/restore', of(report))),
  datasets: () => answer(http.GET('/api/datasets')),
  dataset: (dataset: string) => answer(http.GET('/api/datasets/{id}', of(dataset))),
  values: (dataset: string, field: string, find: string) =>
    answer(http.GET('/api/datasets/{id}/values', asking(dataset, { field, find }))),
  datasetProfile: (dataset: string) => answer(http.GET('/api/datasets/{id}/profile', of(dataset))),
  fieldProfile: (dataset: string, field: string) =>
    answer(
      http.GET('/api/datasets/{id}/fields/{field}/profile', { params: { path: { id: dataset, field } } }),
    ),
  datasetRows: (dataset: string, offset: number, only?: { field: string; value: string }) =>
    answer(http.GET('/api/datasets/{id}/rows', asking(dataset, { offset, ...only }))),
  findData: (dataset: string, text: string) =>
    answer(http.GET('/api/datasets/{id}/find', asking(dataset, { text }))),
  datasetEditing: (dataset: string) =>
    answer(http.GET('/api/datasets/{id}/editing', of(dataset))) as Promise<
      DatasetDocument & { revision: number }
    >,
  checkDataset: (dataset: string, definition: DatasetDefinition, value: string) =>
    answer(http.POST('/api/datasets/{id}/check', { ...of(dataset), body: { definition, value } })),
  datasetEffect: (dataset: string, definition: DatasetDefinition) =>
    answer(http.POST('/api/datasets/{id}/effect', { ...of(dataset), body: { definition } })),
  fieldUses: (dataset: string, field: string) =>
    answer(http.GET('/api/datasets/{id}/uses', asking(dataset, { field }))),
  renameField: (dataset: string, from: string, to: string, base: number) =>
    answer(http.POST('/api/datasets/{id}/renaming', { ...of(dataset), body: { from, to, base } })),
  saveDataset: (dataset: string, definition: DatasetDefinition, base: number) =>
    answer(http.PUT('/api/datasets/{id}', { ...of(dataset), body: { definition, base } })),
  readingOf: (dataset: string) => answer(http.GET('/api/datasets/{id}/reading', of(dataset))),
  readAgain: (dataset: string) => answer(http.POST('/api/datasets/{id}/reading', of(dataset))),
  styles: () => answer(http.GET('/api/styles')),
  style: (style: string) =>
    answer(http.GET('/api/styles/{id}', of(style))) as Promise<StyleEditing & { definition: HouseStyle }>,
  styleRevision: (style: string, revision: number) =>
    answer(
      http.GET('/api/styles/{id}/revisions/{number}', { params: { path: { id: style, number: revision } } }),
    ) as Promise<HouseStyle>,
  addStyle: (definition: HouseStyle) => answer(http.POST('/api/styles', { body: { definition } })),
  saveStyle: (style: string, definition: HouseStyle, base: number) =>
    answer(http.PUT('/api/styles/{id}', { ...of(style), body: { definition, base } })),
  addedFaces: () => answer(http.GET('/api/faces')),
  addFace: (face: components['schemas']['NewFaceBody']) => answer(http.POST('/api/faces', { body: face })),
  removeFace: (face: string) => answer(http.DELETE('/api/faces/{id}', of(face))),
  sources: () => answer(http.GET('/api/sources')),
  source: (source: string) => answer(http.GET('/api/sources/{id}', of(source))),
  addSource: (body: SourceBody) => answer(http.POST('/api/sources', { body })),
  changeSource: (source: string, body: SourceBody) =>
    answer(http.PUT('/api/sources/{id}', { ...of(source), body })),
  removeSource: (source: string) => answer(http.DELETE('/api/sources/{id}', of(source))),
  trySource: (body: SourceBody, source?: string) =>
    source
      ? answer(http.POST('/api/sources/{id}/trial', { ...of(source), body }))
      : answer(http.POST('/api/sources/trial', { body })),
  sourceTables: (source: string) => answer(http.GET('/api/composing/tables', queried({ source }))),
  tableColumns: (source: string, table: string) =>
    answer(http.GET('/api/composing/columns', queried({ source, table }))),
  startDataset: (body: components['schemas']['GrainBody']) =>
    answer(http.POST('/api/composing/start', { body })) as Promise<DatasetDocument>,
  suggestJoins: (definition: DatasetDefinition, source: string) =>
    answer(http.POST('/api/composing/suggestions', { body: { definition, source } })),
  tryJoin: (definition: DatasetDefinition, join: JoinBody) =>
    answer(http.POST('/api/composing/trial', { body: { definition, join } })),
  makeJoin: (definition: DatasetDefinition, join: JoinBody) =>
    answer(http.POST('/api/composing/join', { body: { definition, join } })) as Promise<DatasetDocument>,
  removeTable: (definition: DatasetDefinition, table: string) =>
    answer(http.POST('/api/composing/removal', { body: { definition, table } })) as Promise<DatasetDocument>,
  addDataset: (definition: DatasetDefinition) =>
    answer(http.POST('/api/composing/dataset', { body: { definition } })) as Promise<DatasetDocument>,
  unreadable: () => answer(http.GET('/api/records/unreadable')),
  unreadableText: (kind: Unreadable['kind'], document: string) =>
    answer(
      http.GET('/api/records/unreadable/{kind}/{id}', {
        params: { path: { kind, id: document } },
        parseAs: 'text',
      }),
    ),
  repair: (kind: Unreadable['kind'], document: string, content: string) =>
    answer(
      http.PUT('/api/records/unreadable/{kind}/{id}', {
        params: { path: { kind, id: document } },
        body: content,
        bodySerializer: (text) => text,
        headers: { 'Content-Type': 'text/plain' },
      }),
    ),
  calendar: () => answer(http.GET('/api/calendar')),
  calendarSample: (calendar: CalendarBody) =>
    answer(
      http.GET('/api/calendar/sample', queried({ start: calendar.fiscalYearStart, name: calendar.yearName })),
    ),
  holidays: () => answer(http.GET('/api/calendar/holidays')),
  setHolidays: (days: string[]) => answer(http.PUT('/api/calendar/holidays', { body: { days } })),
  setCalendar: (calendar: CalendarBody) => answer(http.PUT('/api/calendar', { body: calendar })),
  preview: async (
    session: string,
    body: PreviewAsked & { edit: number },
    signal: AbortSignal,
  ): Promise<PreviewView> => {
    const view = (await answer(
      http.POST('/api/previews/{session}', {
        params: { path: { session } },
        body: { ...body, definition: documentOf(body.definition) },
        signal,
      }),
    )) as PreviewView & { definition?: Document }
    return { ...view, definition: view.definition && complete(view.definition) }
  },
  edit: async (definition: Report, edit: ReportEdit, block?: string): Promise<Report> => {
    const body = { definition: documentOf(definition), edit, block }
    return complete((await answer(http.POST('/api/edits', { body }))).definition as Document)
  },
  previewProgress: (session: string) =>
    answer(http.GET('/api/previews/{session}', { params: { path: { session } } })),
  endPreviews: (session: string) =>
    answer(http.DELETE('/api/previews/{session}', { params: { path: { session } } })),
  filterTexts: (definition: Report) =>
    answer(http.POST('/api/previews/filters', { body: { definition: documentOf(definition) } })),
  countRows: (report: string, answers: Answers, view: View) =>
    answer(http.POST('/api/runs/count', { body: { report, answers, ...view } })),
  startRun: (report: string, answers: Answers, view: View) =>
    answer(http.POST('/api/runs', { body: { report, answers, ...view } })),
  strips: (run: string) => answer(http.GET('/api/runs/{id}/strips', of(run))),
  strip: (run: string, number: number) =>
    answer(http.GET('/api/runs/{id}/strips/{number}', { params: { path: { id: run, number } } })),
  find: (run: string, text: string) => answer(http.GET('/api/runs/{id}/find', asking(run, { text }))),
  whyFigure: (run: string, figure: string) =>
    answer(http.GET('/api/runs/{id}/figure', asking(run, { figure }))),
  uncounted: (run: string, figure: string, rows: number[]) =>
    answer(http.GET('/api/runs/{id}/uncounted', asking(run, { figure, rows }))),
  whyOrder: (run: string, group: string) => answer(http.GET('/api/runs/{id}/order', asking(run, { group }))),
  rowsBehind: (run: string, group: string, offset: number, fields?: string[]) =>
    answer(http.GET('/api/runs/{id}/rows', asking(run, { group, offset, fields }))),
  droppedRows: (run: string, filter: string, offset: number, fields?: string[]) =>
    answer(http.GET('/api/runs/{id}/dropped', asking(run, { filter, offset, fields }))),
  droppedFile: (run: string, filter: string, fields?: string[]) =>
    file(http.GET('/api/runs/{id}/dropped/file', { ...asking(run, { filter, fields }), parseAs: 'blob' })),
  whyAbsent: (run: string, block: string, field: string, value: string) =>
    answer(http.GET('/api/runs/{id}/absent', asking(run, { block, field, value }))),
  narrowable: (run: string) => answer(http.GET('/api/runs/{id}/fields', of(run))),
  narrowableValues: (run: string, block: string, field: string, find: string) =>
    answer(http.GET('/api/runs/{id}/fields/values', asking(run, { block, field, find }))),
  path: (run: string, group: string) => answer(http.GET('/api/runs/{id}/path', asking(run, { group }))),
  together: (run: string, figures: string[]) =>
    answer(http.GET('/api/runs/{id}/together', asking(run, { figures }))),
  run: (run: string) => answer(http.GET('/api/runs/{id}', of(run))),
  cancelRun: (run: string) => answer(http.DELETE('/api/runs/{id}', of(run))),
  page: (run: string, number: number) =>
    answer(http.GET('/api/runs/{id}/pages/{number}', { params: { path: { id: run, number } } })),
  marks: (run: string) => answer(http.GET('/api/runs/{id}/marks', of(run))),
  outline: (run: string, below?: string) =>
    answer(http.GET('/api/runs/{id}/outline', asking(run, { below }))),
  /** @param protect whether what a spreadsheet would run as a formula gets an apostrophe */
  file: (run: string, format: FileFormat, protect: boolean) =>
    file(http.GET('/api/runs/{id}/file', { ...asking(run, { format, protect }), parseAs: 'blob' })),
  figureAtSource: (run: string, figure: string) =>
    answer(http.GET('/api/runs/{id}/figure/at-source', asking(run, { figure }))),
  rowsFile: (run: string, group: string, fields?: string[]) =>
    file(http.GET('/api/runs/{id}/rows/file', { ...asking(run, { group, fields }), parseAs: 'blob' })),
  events: (run: string) => new EventSource(`/api/runs/${encodeURIComponent(run)}/events`),
}
