// What is kept of what was last seen: answers that somebody needs in a kitchen without a network. All else is asked of the
// server or not at all.

/** The header of a kept answer: when it was true. */
export const seenAt = 'X-Seen-At'

const id = '[^/]+'
const answers = new RegExp(
  `^/api/v1/(${[
    'larder',
    'settings',
    'jobs',
    `jobs/${id}`,
    `jobs/${id}/(day|ticks|evening|evening/photos|holding|weights|forecast|scene|derived|revisions)`,
    `days/${id}`,
    'shopping',
    'shop',
    'boards',
    'diets',
    'practice',
    'logbook',
    `foods/${id}`,
  ].join('|')})$`,
)
const pictures = /^\/api\/v1\/((foods|boards|vessels)\/[^/]+\/picture\.svg|jobs\/[^/]+\/tray\.svg)$/

/** Whether an answer is a picture or something to read. */
export const kindOf = (url: URL) => (pictures.test(url.pathname) ? 'picture' : 'answer')

/** Whether what a path answers with is kept. */
export const isKept = (url: URL) => answers.test(url.pathname) || pictures.test(url.pathname)
