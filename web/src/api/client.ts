import createClient from 'openapi-fetch'
import { noteAge } from '@/away/stale'
import type { components, paths } from './contract.gen'

type Schemas = components['schemas']
export type Problem = Schemas['Problem']
export type JobSummary = Schemas['JobSummary']
export type JobList = Schemas['JobList']
export type Job = Schemas['Job']
export type Review = Schemas['Review']
export type Finding = Schemas['Finding']
export type Revision = Schemas['Revision']
export type SavedState = Schemas['SavedState']
export type LensName = Schemas['Lens']
export type LensView = Schemas['LensView']
export type Command = Schemas['Command']
export type Displaced = Schemas['Displaced']
export type EditAnswer = Schemas['EditAnswer']
export type Basket = Schemas['Basket']
export type PrepSheet = Schemas['PrepSheet']
export type Day = Schemas['Day']
export type Holding = Schemas['Holding']
export type Weights = Schemas['Weights']
export type ScaleReading = Schemas['ScaleReading']
export type DayTask = Schemas['DayTask']
export type DayRound = Schemas['DayRound']
export type Scene = Schemas['Scene']
export type Derived = Schemas['Derived']
export type SavedScene = Schemas['SavedScene']
export type Style = Schemas['Style']
export type Larder = Schemas['Larder']
export type Food = Schemas['Food']
export type Choice = Schemas['Choice']
export type Offer = Schemas['Offer']
export type Outlook = Schemas['Outlook']
export type Way = Schemas['Way']
export type Progress = Schemas['Progress']
export type Substitute = Schemas['Substitute']
export type Rates = Schemas['Rates']
export type Seller = Schemas['Seller']
export type Saving = Schemas['Saving']
export type Quote = Schemas['Quote']
export type ShoppingList = Schemas['ShoppingList']
export type Shop = Schemas['Shop']
export type Palette = Schemas['Palette']
export type HouseWay = Schemas['HouseWay']
export type ThemeTold = Schemas['ThemeTold']
export type Settings = Schemas['Settings']
export type Door = Schemas['Door']
export type Evening = Schemas['Evening']
export type EveningDish = Schemas['EveningDish']
export type PhotoKept = Schemas['PhotoKept']
export type Forecast = Schemas['Forecast']
export type Beside = Schemas['Beside']
export type Logbook = Schemas['Logbook']
export type LoggedFood = Schemas['LoggedFood']
export type LoggedEvening = Schemas['LoggedEvening']
export type DoorKey = Schemas['DoorKey']
export type Shelves = Schemas['Shelves']
export type FoodCard = Schemas['FoodCard']
export type FoodPage = Schemas['FoodPage']
export type FormMeasure = Schemas['FormMeasure']
export type Lot = Schemas['Lot']
export type MainColours = Schemas['MainColours']
export type Kept = Schemas['Kept']
export type Diets = Schemas['Diets']
export type FoundFood = Schemas['FoundFood']
export type KeepAsked = Schemas['KeepAsked']
export type ImportReport = Schemas['ImportReport']
export type BoardDrawn = Schemas['BoardDrawn']
export type VesselPage = Schemas['VesselPage']
export type Cabinet = Schemas['Cabinet']
export type Exercise = Schemas['Exercise']
export type ExerciseAsked = Schemas['ExerciseAsked']
export type ExerciseAnswer = Schemas['ExerciseAnswered']['answer']
export type ExerciseMark = Schemas['ExerciseMark']
export type PracticeRule = Schemas['PracticePath']['rules'][number]
export type OutlineFound = Schemas['OutlineFound']

export const api = createClient<paths>({
  baseUrl: '/',
  fetch: async request => {
    const answer = await fetch(request)
    if (request.method === 'GET') noteAge(answer)
    return answer
  },
})

/** What went wrong, in the server's own plain sentence. status 0: it could not be reached. */
export class Trouble extends Error {
  constructor(
    readonly status: number,
    says: string,
    readonly field?: string,
    readonly current?: Job,
  ) {
    super(says)
  }
  /** Worth trying again by itself, because nothing is wrong with what was sent. */
  get passing() {
    return [0, 502, 503, 504, 507].includes(this.status)
  }
}

export function trouble(problem: unknown, status: number): Trouble {
  const p = (problem ?? {}) as Partial<Problem>
  const says =
    [p.title, p.detail].filter(Boolean).join('. ') || 'The server answered in a way that makes no sense'
  return new Trouble(status, says.replace(/\.?$/, '.'), p.field, p.current as Job | undefined)
}

/** Waits for a call and returns its data, or throws a Trouble. */
export async function take<T>(
  call: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<NonNullable<T>> {
  let answer
  try {
    answer = await call
  } catch (e) {
    if (e instanceof DOMException && e.name === 'AbortError') throw e
    throw new Trouble(0, 'The server cannot be reached. Your changes are kept here until it is back.')
  }
  if (answer.response.ok) return answer.data as NonNullable<T>
  // this device was put out; what was not saved is kept in it until it is let in again
  if (answer.response.status === 401) location.replace('/enter')
  throw trouble(answer.error, answer.response.status)
}

/** Sends something that is no JSON: a drawing, a table, a picture. */
export async function send<T>(
  method: string,
  path: string,
  media: string,
  data: BodyInit,
  also: Record<string, string> = {},
): Promise<T> {
  return take(
    fetch(path, { method, headers: { 'Content-Type': media, ...also }, body: data }).then(async response => {
      const json = response.headers.get('Content-Type')?.includes('json') ? await response.json() : undefined
      return { data: json, error: json, response }
    }),
  )
}
