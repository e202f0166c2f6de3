/** A length for people: mm with as many digits as a shop can measure. */
export function mm(value: number, digits = value < 10 ? 2 : 1): string {
  return `${value.toFixed(digits)} mm`
}

export function metres(value: number): string {
  return value >= 1000 ? `${(value / 1000).toFixed(2)} m` : `${value.toFixed(0)} mm`
}

export function percent(value: number): string {
  if (value === 0) return '0 %'
  return value < 0.001 ? 'under 0.001 %' : `${value.toFixed(3)} %`
}

export function count(value: number, one: string, many = `${one}s`): string {
  return `${value.toLocaleString('en')} ${value === 1 ? one : many}`
}
