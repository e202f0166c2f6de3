/** One question at a time: of those that come meanwhile only the latest is asked next; the others, and those that fail, are answered with null. */
export function lane<Q, A>(ask: (question: Q) => Promise<A>): (question: Q) => Promise<A | null> {
  type Waiting = { question: Q; done: (answer: A | null) => void }
  let busy = false
  let next: Waiting | null = null

  async function run({ question, done }: Waiting) {
    busy = true
    try {
      done(await ask(question))
    } catch {
      done(null)
    } finally {
      busy = false
      const waiting = next
      next = null
      if (waiting) run(waiting)
    }
  }

  return (question) =>
    new Promise((done) => {
      if (!busy) run({ question, done })
      else {
        next?.done(null)
        next = { question, done }
      }
    })
}
