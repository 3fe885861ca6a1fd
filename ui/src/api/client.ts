import createClient from 'openapi-fetch'
import { metAway, onceBack } from './away'
import { stoppedWords, wasStopped, watching } from './busy'
import type { components, paths } from './schema'
import { speaking } from './spoken'

export const api = createClient<paths>({ baseUrl: '' })
api.use(speaking, watching)

type S = components['schemas']
export type Brief = S['Brief']
export type JobView = S['JobView']
export type JobPage = S['JobPage']
export type Dependant = S['Dependant']
export type Waits = S['Waits']
export type Whole = S['Whole']
export type PartHead = S['PartHead']
export type PartView = S['PartView']
export type RevisionView = S['RevisionView']
export type Recipe = S['Recipe']
export type PartState = S['PartState']
export type Flange = S['Flange']
export type Hole = S['Hole']
export type EdgeCut = S['EdgeCut']
export type Mark = S['Mark']
export type Meet = S['Meet']
export type Shape = S['Shape']
export type Pattern = S['Pattern']
export type Use = S['Use']
export type Coupon = S['Coupon']
export type Part = S['Part']
export type Dimension = S['Dimension']
export type Finding = S['Finding']
export type Fix = S['Fix']
export type Figure = S['Figure']
export type BendLine = S['BendLine']
export type PanelMade = S['PanelMade']
export type Working = S['Working']
export type Subject = S['Subject']
export type Body = S['Body']
export type BuildRequest = S['BuildRequest']
export type Problem = S['Problem']
export type Stock = S['StockView']
export type TaskView = S['TaskView']
export type NumberView = S['NumberView']
export type Given = S['Given']
export type Device = S['Device']
export type Mount = S['Mount']
export type Held = S['Held']
export type Standing = S['Standing']
export type Check = S['StrengthCheck']
export type Suggestion = S['HoldSuggestion']
export type HoldingView = S['HoldingView']
export type Survey = S['Survey']
export type Surveyed = S['Surveyed']
export type SurveyPoint = S['SurveyPoint']
export type Reading = S['SurveyReading']
export type Located = S['Located']
export type HoleMap = S['HoleMap']
export type MapTold = S['MapTold']
export type ResultTold = S['ResultTold']
export type Space = S['SurveySpace']
export type Drawn = S['Drawn']
export type Placed = S['Placed']
export type FollowTold = S['FollowTold']
export type CheckTold = S['CheckTold']
export type FirstOff = S['FirstOff']
export type Learned = S['Learned']
export type FramePage = S['FramePage']
export type FrameState = S['FrameState']
export type FrameTold = S['FrameTold']
export type FrameMember = S['MemberMember']
export type FrameEnd = S['MemberEnd']
export type FrameDoc = S['MemberDoc']
export type FrameCorner = S['MemberCorner']
export type TracedDrawing = S['TracedDrawing']
export type BendStep = S['BendStep']
export type Bending = S['Bending']
export type BendingStep = S['BendingStep']
export type BendingLine = S['BendingLine']
export type BoltedJoint = S['Joint']
export type WeldedJoint = S['Welded']
export type WeldedTold = S['WeldedTold']
export type SeamPlan = S['SeamPlan']
export type WeldPlan = S['WeldPlan']
export type WeldBook = S['WeldBook']
export type SeamSeen = S['SeamSeen']
export type SizeSeen = S['SizeSeen']
export type BoltedTold = S['BoltedTold']
export type Duty = S['Duty']
export type JointPly = S['JointPly']
export type JointCase = S['JointCase']
export type Parting = S['Parting']
export type SplitLines = S['Lines']
export type SplitLine = S['Line']
export type Starter = S['MemberStarter']
export type SectionView = S['SectionView']
export type Option = S['MemberOption']
export type MemberHeld = S['MemberMemberHeld']
export type CutRow = S['CutRowTold']
export type StockPlan = S['MemberStockPlan']
export type Edge = PanelMade['edges'][number]['edge']

let signedOut: () => void = () => {}
/** What to do when the server asks to sign in. */
export const whenSignedOut = (f: () => void) => (signedOut = f)

/** A refusal of the server, or no answer at all. */
export class Refused extends Error {
  constructor(
    message: string,
    readonly status: number,
    readonly problem?: Problem,
  ) {
    super(message)
  }
  /** The words for one field, by JSON pointer. */
  at(path: string): string | undefined {
    return this.problem?.errors?.find((e) => e.path === path)?.message
  }
}

/** Asks again, when the server is back, what got no answer while it was away, if that is still wanted then. */
export function askAgain(e: unknown, wanted: () => boolean, ask: () => unknown) {
  if (e instanceof Refused && (e.status === 0 || e.status === 503)) void onceBack().then(() => wanted() && ask())
}

/** Answers the data, or throws Refused with words to show. */
export async function take<T>(request: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  let got
  try {
    got = await request
  } catch (e) {
    if (e instanceof DOMException && e.name === 'AbortError') {
      if (wasStopped()) throw new Refused(stoppedWords, 499)
      throw e
    }
    metAway('The server does not answer.')
    throw new Refused('The server does not answer. What you typed is kept here.', 0)
  }
  if (got.error !== undefined || !got.response.ok) {
    const problem = got.error as Problem | undefined
    if (got.response.status === 401) signedOut()
    if (got.response.status === 503) metAway('The database does not answer.')
    if (got.response.status === 507)
      metAway('The disk of the server is full: nothing can be saved until there is room on it. Looking goes on.')
    throw new Refused(problem?.detail ?? 'The server refused without saying why.', got.response.status, problem)
  }
  return got.data as T
}

export function words(e: unknown): string {
  return e instanceof Error ? e.message : String(e)
}
