// Random edits of a definition, one after the other, each checked: by itself here, and by the server as the bench's preview checks it.
async ({ starter, seed, steps }) => {
  let state = seed * 2654435761 + 1
  const random = (below) => {
    state = (Math.imul(state ^ (state >>> 15), 2246822519) + 3266489917) | 0
    return Math.abs(state) % below
  }
  const one = (list) => list[random(list.length)]
  const get = async (path) => (await fetch(path)).json()
  const { definition } = await get(`/api/reports/${starter}/editing`)
  const { fields } = await get(`/api/datasets/${definition.dataset}`)
  const { block, columns, filters, highlights, levels, order, prompts, shown, totals, perRow } = edits
  const rowFields = fields.filter(perRow)
  const parts = (report) => block(report)
  const some = (list, edit) => (list.length ? edit(one(list)) : undefined)
  const all = {
    addColumn: (r) => columns.addColumn(r, one(fields)),
    removeColumns: (r) => some(parts(r).columns, (c) => columns.removeColumns(r, [c.id])),
    moveColumn: (r) => some(parts(r).columns, (c) => columns.moveColumn(r, c.id, random(parts(r).columns.length + 1))),
    nudgeColumn: (r) => some(parts(r).columns, (c) => columns.nudgeColumn(r, c.id, one([-1, 1]))),
    widen: (r) => some(parts(r).columns, (c) => columns.changeColumn(r, c.id, { width: 40 + random(200) })),
    rename: (r) => some(parts(r).columns, (c) => columns.changeColumn(r, c.id, { label: `Renamed ${random(9)}` })),
    copy: (r) => some(parts(r).columns, (c) => columns.pasteColumns(r, columns.copyColumns(r, [c.id]), c.id)),
    addLevel: (r) => some(rowFields.filter((f) => f.level), (f) => levels.addLevel(r, { id: f.id, label: f.label, level: f.level })),
    removeLevel: (r) => some(parts(r).levels, (l) => levels.removeLevel(r, l.id)),
    moveLevel: (r) => some(parts(r).levels, (l) => levels.moveLevel(r, l.id, random(parts(r).levels.length + 1))),
    switchLevel: (r) => some(parts(r).levels, (l) => levels.changeLevel(r, l.id, { off: l.off ? undefined : true })),
    showRows: (r) => levels.showRows(r, one([true, false])),
    addFilter: (r) => filters.addFilter(r, { kind: 'condition', field: one(rowFields).id, comparison: 'not-blank' }),
    wrapFilter: (r) => some(filters.allFilters(r).filter((f) => f.kind !== 'top'), (f) => filters.wrapFilter(r, f.id, one(['all', 'any', 'none']))),
    unwrapFilter: (r) => some(filters.allFilters(r).filter(filters.hasParts), (f) => filters.unwrapFilter(r, f.id)),
    copyFilter: (r) => some(filters.allFilters(r), (f) => filters.copyFilter(r, f.id)),
    negateFilter: (r) => some(filters.allFilters(r), (f) => filters.negateFilter(r, f.id)),
    moveFilter: (r) => some(filters.allFilters(r), (f) => filters.moveFilter(r, f.id, random(filters.allFilters(r).length + 1))),
    addPart: (r) => some(filters.allFilters(r).filter(filters.hasParts), (f) => filters.addPart(r, f.id, { kind: 'condition', field: one(rowFields).id, comparison: 'blank' })),
    addTop: (r) => some(rowFields.filter((f) => f.type === 'DECIMAL'), (f) => filters.addFilter(r, { kind: 'top', field: f.id, end: 'smallest', count: 7 })),
    removeFilter: (r) => some(r.filters, (f) => filters.removeFilter(r, f.id)),
    addPrompt: (r) => prompts.addPrompt(r, one(rowFields)),
    removePrompt: (r) => some(r.prompts, (p) => prompts.removePrompt(r, p.id)),
    addHighlight: (r) => highlights.addHighlight(r, 'Mark', 'TRUE'),
    removeHighlight: (r) => some(parts(r).highlights, (h) => highlights.removeHighlight(r, h.id)),
    orderBy: (r) => some(meant, (m) => order.orderByColumn(r, m, one(['ascending', 'descending']))),
    toggleTotal: (r) => some(parts(r).totals, (t) => totals.toggleTotal(r, t.id)),
    togglePlace: (r) => some(parts(r).levels, (l) => totals.togglePlace(r, l.id)),
    removeTotal: (r) => some(parts(r).totals, (t) => totals.removeTotal(r, t.id)),
  }
  const names = Object.keys(all)
  const ids = (value, found = []) => {
    if (Array.isArray(value)) {
      value.forEach((item) => ids(item, found))
    } else if (value && typeof value === 'object') {
      if (typeof value.id === 'string') {
        found.push(value.id)
      }
      Object.values(value).forEach((item) => ids(item, found))
    }
    return found
  }
  const token = document.cookie.match(/XSRF-TOKEN=([^;]+)/)?.[1]
  const session = crypto.randomUUID()
  const faults = []
  const done = {}
  let report = definition
  let meant = []
  for (let step = 1; step <= steps; step++) {
    const name = one(names)
    const before = JSON.stringify(report)
    const next = all[name](report)
    if (next === undefined) {
      continue
    }
    done[name] = (done[name] ?? 0) + 1
    const say = (what) => faults.push(`${starter} ${seed} step ${step} ${name}: ${what}`)
    if (JSON.stringify(report) !== before) {
      say('changed what it was given, so that undo does not restore it')
    }
    const own = ids(next)
    const twice = own.find((id, i) => own.indexOf(id) !== i)
    if (twice) {
      say(`two parts have the id ${twice}`)
    }
    if (JSON.stringify(JSON.parse(JSON.stringify(next))) !== JSON.stringify(next)) {
      say('is no plain document')
    }
    // A month is enough to be computed at each step.
    const periods = next.prompts.filter((prompt) => prompt.type === 'period')
    const answers = Object.fromEntries(periods.map((prompt) => [prompt.name, 'last 30 days']))
    const answer = await fetch(`/api/previews/${session}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', 'X-XSRF-TOKEN': decodeURIComponent(token) },
      body: JSON.stringify({ edit: step, definition: next, answers, page: 1 }),
    })
    const seen = await answer.json()
    const wrong = (seen.problems ?? []).filter((p) => p.severity === 'ERROR')
    // A report may grow wider than its paper: that is the author's to see, and no fault of an edit.
    const own_fault = wrong.find((p) => !p.message.includes('do not fit the paper'))
    if (answer.status !== 200 || own_fault) {
      say(`${answer.status} ${own_fault?.pointer} ${own_fault?.message}`)
      break
    }
    report = next
    meant = seen.columnOrders
  }
  await fetch(`/api/previews/${session}`, { method: 'DELETE', headers: { 'X-XSRF-TOKEN': decodeURIComponent(token) } })
  return { faults, done: Object.keys(done) }
}
