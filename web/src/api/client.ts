import type { components } from './schema'
import type { GrammatusDatasetDefinitionFormatVersion1 as DatasetDefinition } from './dataset-definition'
import type {
  GrammatusHouseStyleFormatVersion1 as HouseStyle,
  MarkLook,
  StyleParts,
} from './style-definition'
import { complete, documentOf } from './documents'
import type { Document, Report } from './report'
import { words } from '@/words'

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
export type CalendarBody = components['schemas']['CalendarBody']
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

/** A refusal or failure of the server, in words, as RFC 9457 carries it. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly problems: ProblemView[] = [],
    /** The newest revision, where somebody saved before. */
    readonly revision?: number,
  ) {
    super(message)
  }

  /** What is wrong with the parts below a place, by their names. */
  below(pointer: string): Record<string, string> {
    return Object.fromEntries(
      this.problems
        .filter((problem) => problem.pointer.startsWith(pointer))
        .map((problem) => [problem.pointer.slice(pointer.length), problem.message]),
    )
  }
}

type Unauthorised = () => void
let onUnauthorised: Unauthorised = () => {}

/** Says what happens when a session has ended. */
export function whenUnauthorised(action: Unauthorised): void {
  onUnauthorised = action
}

/** The token changes at sign-in, so it is read anew for every call. */
function csrfToken(): string {
  const cookie = document.cookie.split('; ').find((part) => part.startsWith('XSRF-TOKEN='))
  return cookie ? decodeURIComponent(cookie.substring('XSRF-TOKEN='.length)) : ''
}

async function call(
  method: string,
  path: string,
  body?: BodyInit,
  type?: string,
  options: RequestInit = {},
): Promise<Response> {
  const headers: Record<string, string> = {}
  if (method !== 'GET') {
    headers['X-XSRF-TOKEN'] = csrfToken()
  }
  if (type) {
    headers['Content-Type'] = type
  }
  let response: Response
  try {
    response = await fetch(path, { method, headers, body, ...options })
  } catch (e) {
    if ((e as Error).name === 'AbortError') {
      throw e
    }
    throw new ApiError(0, words.failure.offline)
  }
  if (!response.ok) {
    throw await failure(response)
  }
  return response
}

async function failure(response: Response): Promise<ApiError> {
  const problem = await response.json().catch(() => ({}))
  if (response.status === 401 && !response.url.endsWith('/api/session')) {
    onUnauthorised()
  }
  return new ApiError(
    response.status,
    problem.detail ?? words.failure.unknown,
    problem.problems ?? [],
    problem.revision,
  )
}

async function get<T>(path: string): Promise<T> {
  return (await call('GET', path)).json() as Promise<T>
}

async function post<T>(path: string, body: unknown): Promise<T> {
  return (await send('POST', path, body)).json() as Promise<T>
}

function send(method: string, path: string, body: unknown, options?: RequestInit): Promise<Response> {
  return call(method, path, JSON.stringify(body), 'application/json', options)
}

/** A file, with the name that the server gives it (RFC 6266; the encoded form of RFC 8187). */
export interface NamedFile {
  name: string
  content: Blob
}

async function named(path: string): Promise<NamedFile> {
  const response = await call('GET', path)
  const encoded = /filename\*=UTF-8''([^;]+)/i.exec(response.headers.get('Content-Disposition') ?? '')?.[1]
  return { name: decodeURIComponent(encoded ?? 'report'), content: await response.blob() }
}

const id = encodeURIComponent

const shownFields = (fields?: string[]) => (fields ? `&fields=${fields.map(id).join(',')}` : '')

/** The server's interface. */
export const api = {
  session: () => get<Session>('/api/session'),
  signIn: (name: string, password: string) =>
    call('POST', '/api/session', new URLSearchParams({ name, password })),
  setUp: (body: FirstBody) => call('POST', '/api/set-up', JSON.stringify(body), 'application/json'),
  changePassword: (present: string, next: string) => send('PUT', '/api/session/password', { present, next }),
  signOut: () => call('POST', '/api/session/end'),
  reports: () => get<ReportLine[]>('/api/reports'),
  report: (report: string) => get<ReportView>(`/api/reports/${id(report)}`),
  resolve: (report: string, answers: Answers) =>
    post<AnswerView[]>(`/api/reports/${id(report)}/answers`, { answers }),
  /** What can be chosen at a prompt, given the answers above it; of some values alone, those that still can. */
  choices: (report: string, prompt: string, answers: Answers, find: string, only?: string[]) =>
    post<FieldValue[]>(`/api/reports/${id(report)}/choices`, { prompt, answers, find, only }),
  /** What a definition that is being edited asks, with what answers stand for. */
  draftPrompts: (definition: Report, answers: Answers) =>
    post<PromptView[]>('/api/previews/prompts', { definition, answers }),
  draftChoices: (definition: Report, prompt: string, answers: Answers, find: string, only?: string[]) =>
    post<FieldValue[]>('/api/previews/choices', { definition, prompt, answers, find, only }),
  keptAnswers: (report: string) => get<KeptAnswers[]>(`/api/reports/${id(report)}/kept-answers`),
  keepAnswers: (report: string, name: string, forAll: boolean, answers: Answers) =>
    post<KeptAnswers[]>(`/api/reports/${id(report)}/kept-answers`, { name, forAll, answers }),
  discardAnswers: (report: string, kept: number) =>
    call('DELETE', `/api/reports/${id(report)}/kept-answers/${kept}`),
  addReport: (definition: Report) =>
    post<{ id: string; title: string }>('/api/reports', documentOf(definition)),
  editing: async (report: string): Promise<Editing> => {
    const { definition, draft, ...rest } = await get<Kept>(`/api/reports/${id(report)}/editing`)
    return {
      ...rest,
      definition: complete(definition),
      ...(draft ? { draft: { ...draft, definition: complete(draft.definition) } } : {}),
    }
  },
  /** Sent even while the page is being left. */
  keepDraft: async (report: string, definition: Report, base: number, window: EditingWindow) =>
    (
      await send(
        'PUT',
        `/api/reports/${id(report)}/draft`,
        { definition: documentOf(definition), base, window },
        { keepalive: true },
      )
    ).json() as Promise<{ updatedAt: number }>,
  discardDraft: (report: string) => call('DELETE', `/api/reports/${id(report)}/draft`),
  save: async (report: string, definition: Report, base: number, window: EditingWindow) =>
    (
      await send('PUT', `/api/reports/${id(report)}`, { definition: documentOf(definition), base, window })
    ).json() as Promise<{
      revision: number
    }>,
  copy: (report: string, title: string, definition?: Report) =>
    post<{ id: string; title: string }>(`/api/reports/${id(report)}/copy`, {
      title,
      definition: definition && documentOf(definition),
    }),
  change: (report: string, change: Change) => send('PATCH', `/api/reports/${id(report)}`, change),
  deleteReport: (report: string) => call('DELETE', `/api/reports/${id(report)}`),
  restore: (report: string) => call('POST', `/api/reports/${id(report)}/restore`),
  datasets: () => get<DatasetLine[]>('/api/datasets'),
  dataset: (dataset: string) => get<DatasetView>(`/api/datasets/${id(dataset)}`),
  values: (dataset: string, field: string, find: string) =>
    get<FieldValue[]>(`/api/datasets/${id(dataset)}/values?field=${id(field)}&find=${id(find)}`),
  datasetProfile: (dataset: string) => get<DatasetProfile>(`/api/datasets/${id(dataset)}/profile`),
  fieldProfile: (dataset: string, field: string) =>
    get<FieldDetail>(`/api/datasets/${id(dataset)}/fields/${id(field)}/profile`),
  datasetRows: (dataset: string, offset: number, only?: { field: string; value: string }) =>
    get<DataRows>(
      `/api/datasets/${id(dataset)}/rows?offset=${offset}` +
        (only ? `&field=${id(only.field)}&value=${id(only.value)}` : ''),
    ),
  findData: (dataset: string, text: string) =>
    get<FoundData>(`/api/datasets/${id(dataset)}/find?text=${id(text)}`),
  datasetEditing: (dataset: string) =>
    get<{ definition: DatasetDefinition; revision: number }>(`/api/datasets/${id(dataset)}/editing`),
  checkDataset: (dataset: string, definition: DatasetDefinition, value: string) =>
    post<CheckView>(`/api/datasets/${id(dataset)}/check`, { definition, value }),
  datasetEffect: (dataset: string, definition: DatasetDefinition) =>
    post<EffectView>(`/api/datasets/${id(dataset)}/effect`, { definition }),
  fieldUses: (dataset: string, field: string) =>
    get<UsesView>(`/api/datasets/${id(dataset)}/uses?field=${id(field)}`),
  renameField: (dataset: string, from: string, to: string, base: number) =>
    post<{ revision: number }>(`/api/datasets/${id(dataset)}/renaming`, { from, to, base }),
  saveDataset: (dataset: string, definition: DatasetDefinition, base: number) =>
    send('PUT', `/api/datasets/${id(dataset)}`, { definition, base }),
  readingOf: (dataset: string) => get<{ readAt?: string }>(`/api/datasets/${id(dataset)}/reading`),
  readAgain: (dataset: string) => call('POST', `/api/datasets/${id(dataset)}/reading`),
  styles: () => get<StyleLine[]>('/api/styles'),
  style: (style: string) => get<StyleEditing & { definition: HouseStyle }>(`/api/styles/${id(style)}`),
  styleRevision: (style: string, revision: number) =>
    get<HouseStyle>(`/api/styles/${id(style)}/revisions/${revision}`),
  addStyle: (definition: HouseStyle) => post<{ revision: number }>('/api/styles', { definition }),
  saveStyle: async (style: string, definition: HouseStyle, base: number) =>
    (await send('PUT', `/api/styles/${id(style)}`, { definition, base })).json() as Promise<{
      revision: number
    }>,
  addedFaces: () => get<AddedFace[]>('/api/faces'),
  addFace: (face: components['schemas']['NewFaceBody']) => send('POST', '/api/faces', face),
  removeFace: (face: string) => call('DELETE', `/api/faces/${id(face)}`),
  sources: () => get<SourceLine[]>('/api/sources'),
  source: (source: string) => get<SourceDetail>(`/api/sources/${id(source)}`),
  addSource: (body: SourceBody) => post<{ id: string }>('/api/sources', body),
  changeSource: (source: string, body: SourceBody) => send('PUT', `/api/sources/${id(source)}`, body),
  removeSource: (source: string) => call('DELETE', `/api/sources/${id(source)}`),
  trySource: (body: SourceBody, source?: string) =>
    post<{ ok: boolean; verdict: string }>(`/api/sources/${source ? `${id(source)}/` : ''}trial`, body),
  sourceTables: (source: string) => get<string[]>(`/api/composing/tables?source=${id(source)}`),
  tableColumns: (source: string, table: string) =>
    get<ColumnView[]>(`/api/composing/columns?source=${id(source)}&table=${id(table)}`),
  startDataset: (body: { id: string; source?: string; table?: string; dataset?: string }) =>
    post<DatasetDocument>('/api/composing/start', body),
  suggestJoins: (definition: DatasetDefinition, source: string) =>
    post<Suggestions>('/api/composing/suggestions', { definition, source }),
  tryJoin: (definition: DatasetDefinition, join: JoinBody) =>
    post<JoinTrial>('/api/composing/trial', { definition, join }),
  makeJoin: (definition: DatasetDefinition, join: JoinBody) =>
    post<DatasetDocument>('/api/composing/join', { definition, join }),
  removeTable: (definition: DatasetDefinition, table: string) =>
    post<DatasetDocument>('/api/composing/removal', { definition, table }),
  addDataset: (definition: DatasetDefinition) =>
    post<DatasetDocument>('/api/composing/dataset', { definition }),
  unreadable: () => get<Unreadable[]>('/api/records/unreadable'),
  unreadableText: async (kind: string, document: string) =>
    (await call('GET', `/api/records/unreadable/${kind}/${id(document)}`)).text(),
  repair: (kind: string, document: string, content: string) =>
    call('PUT', `/api/records/unreadable/${kind}/${id(document)}`, content, 'text/plain'),
  calendar: () => get<CalendarView>('/api/calendar'),
  calendarSample: (calendar: CalendarBody) =>
    get<CalendarView>(`/api/calendar/sample?start=${calendar.fiscalYearStart}&name=${calendar.yearName}`),
  holidays: () => get<{ days: string[] }>('/api/calendar/holidays'),
  setHolidays: (days: string[]) => send('PUT', '/api/calendar/holidays', { days }),
  setCalendar: async (calendar: CalendarBody) =>
    (await send('PUT', '/api/calendar', calendar)).json() as Promise<CalendarView>,
  preview: async (
    session: string,
    body: PreviewAsked & { edit: number },
    signal: AbortSignal,
  ): Promise<PreviewView> => {
    const answer = await send(
      'POST',
      `/api/previews/${session}`,
      { ...body, definition: documentOf(body.definition) },
      { signal },
    )
    const view = (await answer.json()) as PreviewView & { definition?: Document }
    return { ...view, definition: view.definition && complete(view.definition) }
  },
  edit: async (definition: Report, edit: ReportEdit, block?: string): Promise<Report> => {
    const body = { definition: documentOf(definition), edit, block }
    return complete((await post<{ definition: Document }>('/api/edits', body)).definition)
  },
  previewProgress: (session: string) => get<{ rowsRead: number }>(`/api/previews/${session}`),
  endPreviews: (session: string) => call('DELETE', `/api/previews/${session}`),
  filterTexts: (definition: Report) =>
    post<{ id: string; text: string; built?: unknown }[]>('/api/previews/filters', {
      definition: documentOf(definition),
    }),
  countRows: (report: string, answers: Answers, view: View) =>
    post<components['schemas']['CountView']>('/api/runs/count', { report, answers, ...view }),
  startRun: (report: string, answers: Answers, view: View) =>
    post<RunView>('/api/runs', { report, answers, ...view }),
  strips: (run: string) => get<StripsView>(`/api/runs/${id(run)}/strips`),
  strip: (run: string, number: number) => get<PageView>(`/api/runs/${id(run)}/strips/${number}`),
  find: (run: string, text: string) => get<Hit[]>(`/api/runs/${id(run)}/find?text=${id(text)}`),
  whyFigure: (run: string, figure: string) =>
    get<WhyFigure>(`/api/runs/${id(run)}/figure?figure=${id(figure)}`),
  uncounted: (run: string, figure: string, rows: number[]) =>
    get<number[]>(`/api/runs/${id(run)}/uncounted?figure=${id(figure)}&rows=${rows.join(',')}`),
  whyOrder: (run: string, group: string) => get<WhyOrder>(`/api/runs/${id(run)}/order?group=${id(group)}`),
  rowsBehind: (run: string, group: string, offset: number, fields?: string[]) =>
    get<RowsBehind>(`/api/runs/${id(run)}/rows?group=${id(group)}&offset=${offset}${shownFields(fields)}`),
  droppedRows: (run: string, filter: string, offset: number, fields?: string[]) =>
    get<RowsBehind>(
      `/api/runs/${id(run)}/dropped?filter=${id(filter)}&offset=${offset}${shownFields(fields)}`,
    ),
  droppedFile: (run: string, filter: string, fields?: string[]) =>
    named(`/api/runs/${id(run)}/dropped/file?filter=${id(filter)}${shownFields(fields)}`),
  whyAbsent: (run: string, block: string, field: string, value: string) =>
    get<WhyAbsent>(
      `/api/runs/${id(run)}/absent?block=${id(block)}&field=${id(field)}&value=${encodeURIComponent(value)}`,
    ),
  narrowable: (run: string) => get<components['schemas']['Narrowings']>(`/api/runs/${id(run)}/fields`),
  narrowableValues: (run: string, block: string, field: string, find: string) =>
    get<FieldValue[]>(
      `/api/runs/${id(run)}/fields/values?block=${id(block)}&field=${id(field)}&find=${encodeURIComponent(find)}`,
    ),
  path: (run: string, group: string) => get<PathStep[]>(`/api/runs/${id(run)}/path?group=${id(group)}`),
  together: (run: string, figures: string[]) =>
    get<SelectionSummary>(`/api/runs/${id(run)}/together?figures=${figures.map(id).join(',')}`),
  run: (run: string) => get<RunView>(`/api/runs/${id(run)}`),
  cancelRun: (run: string) => call('DELETE', `/api/runs/${id(run)}`),
  page: (run: string, number: number) => get<PageView>(`/api/runs/${id(run)}/pages/${number}`),
  marks: (run: string) => get<MarkedPlaces>(`/api/runs/${id(run)}/marks`),
  outline: (run: string, below?: string) =>
    get<OutlineEntry[]>(`/api/runs/${id(run)}/outline${below ? `?below=${id(below)}` : ''}`),
  /** @param protect whether what a spreadsheet would run as a formula gets an apostrophe */
  file: (run: string, format: string, protect: boolean) =>
    named(`/api/runs/${id(run)}/file?format=${format}&protect=${protect}`),
  figureAtSource: (run: string, figure: string) =>
    get<SourceAnswer>(`/api/runs/${id(run)}/figure/at-source?figure=${id(figure)}`),
  rowsFile: (run: string, group: string, fields?: string[]) =>
    named(`/api/runs/${id(run)}/rows/file?group=${id(group)}${shownFields(fields)}`),
  events: (run: string) => new EventSource(`/api/runs/${id(run)}/events`),
}
