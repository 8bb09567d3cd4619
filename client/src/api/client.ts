import createClient from 'openapi-fetch';
import type { components, paths } from './schema.gen';
import { signedIn } from './signedIn';
import { wording } from '@/wording/api/client';

export type Schema = components['schemas'];
export type Ask = Schema['AskDocument'];
export type WantedCourse = Schema['WantedCourseDocument'];
export type TimeBlock = Schema['TimeBlockDocument'];
export type Sketch = Schema['SketchRecord'];
export type PutBy = Schema['PutByDocument'];
export type SeenSection = Schema['SeenSectionDocument'];
export type PutByState = Schema['PutByStateRecord'];
export type Survival = Schema['SurvivalRecord'];
export type SectionSurvival = Schema['SectionSurvivalRecord'];
export type Comparison = Schema['ComparisonRecord'];
export type MeasureRow = Schema['MeasureRowRecord'];
export type Picks = Schema['PicksDocument'];
export type PicksState = Schema['PicksRecord'];
export type Plan = Schema['PlanDocument'];
export type PlanState = Schema['PlanRecord'];
export type PlanEntry = Plan['entries'][number];
export type Requirements = Schema['RequirementsRecord'];
export type Audit = Schema['AuditRecord'];
export type RequirementNode = Schema['NodeRecord'];
export type GivenCourse = Schema['GivenCourseRecord'];
export type OfferedFor = Schema['OfferedForRecord'];
export type StripTerm = Schema['StripTermRecord'];
export type StripEntry = Schema['StripEntryRecord'];
export type EndInSight = Schema['EndInSightRecord'];
export type Choice = Schema['ChoiceDocument'];
export type Eligibility = Schema['EligibilityRecord'];
export type Permission = Schema['PermissionRecord'];
export type LineUpEntry = Schema['LineUpPlaceDocument'];
export type SavedSketch = Schema['SavedSketchRecord'];
export type Answer = Schema['AnswerRecord'];
export type Ranked = Schema['RankedRecord'];
export type Measures = Schema['WeekMeasures'];
export type Clash = Schema['ClashRecord'];
export type Why = Schema['WhyRecord'];
export type NearestWeek = Schema['NearestWeekRecord'];
export type Break = Schema['BreakDocument'];
export type Course = Schema['CourseRecord'];
export type Section = Schema['SectionRecord'];
export type CourseBrief = Schema['CourseBriefRecord'];
export type Found = Schema['FoundRecord'];
export type SearchAnswer = Schema['SearchRecord'];
export type Loosening = Schema['LooseningRecord'];
export type Facets = Schema['FacetsRecord'];
export type Fit = Schema['FitRecord'];
export type Numbers = Schema['NumbersRecord'];
export type Term = Schema['TermRecord'];
export type Terms = Schema['TermsRecord'];
export type MyRecord = Schema['MyRecord'];
export type Registration = Schema['RegistrationRecord'];
export type HeldBundle = Schema['HeldBundle'];
export type WaitingPlace = Schema['WaitingPlace'];
export type Press = Schema['PressRecord'];
export type Line = Schema['LineToRegister'];
export type LineResult = Schema['LineResult'];
export type Finding = Schema['RegistrarFinding'];
export type Readiness = Schema['ReadinessRecord'];
export type Change = Schema['ChangeRecord'];
export type WhenFull = Schema['WhenFullDocument']['whenFull'];

/** What the server or the way to it said no to, in a sentence. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    message: string,
    /** The newer sketch, where a change came too late. */
    readonly newer: Sketch | null = null,
    /** What is picked now, where a change of it came too late. */
    readonly newerPicks: PicksState | null = null,
    /** What stands in terms ahead now, where a change of it came too late. */
    readonly newerPlan: PlanState | null = null,
  ) {
    super(message);
  }

  /** Trying the same again may help: the server was not reached, failed by itself, or knows now who asks. */
  get mayPass(): boolean {
    return this.status === 0 || this.status === 401 || this.status === 429 || this.status >= 500;
  }
}

/** A visit that is under way: the server does not know any more who asks. */
let visiting: Promise<unknown> | null = null;

function visitAgain(): Promise<unknown> {
  visiting ??= fetch('/api/visit', { method: 'POST' })
    // Whoever asks tries again, and says then what is wrong.
    .catch(() => undefined)
    .finally(() => (visiting = null));
  return visiting;
}

export const http = createClient<paths>({ baseUrl: '/' });

type Fetched<T> = { data?: T; error?: unknown; response: Response };

/** The data of a call, or an {@link ApiError}. */
export async function call<T>(fetching: Promise<Fetched<T>>): Promise<T> {
  let fetched: Fetched<T>;
  try {
    fetched = await fetching;
  } catch (problem) {
    if (problem instanceof DOMException && problem.name === 'AbortError') throw problem;
    throw new ApiError(0, wording.hourGridCannotBeReached);
  }
  if (fetched.data !== undefined) return fetched.data;
  if (fetched.response.status === 401) {
    // A sign-in that ran out is no new visit: whose changes these are is known.
    if (signedIn.get() !== 'none') {
      signedIn.set('ranOut');
      throw new ApiError(401, wording.signInRunOut);
    }
    await visitAgain();
    throw new ApiError(401, wording.browserNotKnownAnyMore);
  }
  const problem = (fetched.error ?? {}) as {
    detail?: string;
    title?: string;
    sketch?: Sketch;
    picks?: PicksState;
    plan?: PlanState;
  };
  throw new ApiError(
    fetched.response.status,
    problem.detail ?? problem.title ?? wording.serverAnswered(fetched.response.status),
    problem.sketch ?? null,
    problem.picks ?? null,
    problem.plan ?? null,
  );
}
