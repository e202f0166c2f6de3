/**
 * One question at a time: of those that come meanwhile only the latest is asked next; the others, and those that fail, are answered with null. With patience,
 * a question that has taken so many ms is no longer waited for: the next is asked beside it, and the server stops the one before.
 */
export function lane<Q, A>(ask: (question: Q) => Promise<A>, patience = Infinity): (question: Q) => Promise<A | null> {
  type Waiting = { question: Q; done: (answer: A | null) => void }
  let latest = 0
  let running = 0
  let began = 0
  let next: Waiting | null = null

  async function run({ question, done }: Waiting) {
    const own = ++latest
    running++
    began = Date.now()
    try {
      done(await ask(question))
    } catch {
      done(null)
    } finally {
      running--
      const waiting = next
      if (waiting && own === latest) {
        next = null
        run(waiting)
      }
    }
  }

  return (question) =>
    new Promise((done) => {
      if (running === 0) {
        run({ question, done })
        return
      }
      next?.done(null)
      const mine: Waiting = { question, done }
      next = mine
      if (patience < Infinity) {
        setTimeout(() => {
          if (next !== mine) return
          next = null
          run(mine)
        }, Math.max(0, began + patience - Date.now()))
      }
    })
}
