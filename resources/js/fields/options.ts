/** What there is to choose from, of labels by value. */
export const labelled = <Value extends string>(labels: Record<Value, string>): { value: Value; label: string }[] => Object.entries(labels).map(([value, label]) => ({ value: value as Value, label: String(label) }))
