/** The shapes of the server's answers by the names that the page uses. They are generated from
    docs/openapi.json (npm run types); amounts and ratios are decimal texts, missing is null. */
import type { components } from './schema';

type Of<Name extends keyof components['schemas']> = components['schemas'][Name];

export type AxisWord = MemberFound['axis'];
export type Direction = Measure['direction'];
export type Tone = Spoken['tone'];
export type LoadKind = NonNullable<Load['kind']>;
export type PostMode = NonNullable<Load['mode']>;
export type Split = CloseUp['parts'][number]['split'];

export type Measure = Of<'CompanyControllerMeasurePart'>;
export type GoalSet = Of<'CompanyControllerGoalSetPart'>;
export type MemberFound = Of<'CompanyControllerMemberPart'>;
export type Company = Of<'CompanyControllerCompanyAnswer'>;
export type Beside = Of<'ReadingAnswerBeside'>;
export type Preferences = Of<'PreferencesSettings'>;
export type Note = Of<'ReadingAnswerNoteAnswer'>;
export type Comparison = Of<'ReadingAnswerCompared'>;
export type Spoken = Of<'ReadingAnswerSpoken'>;
export type Correction = Of<'ReadingAnswerCorrection'>;
export type Reading = Of<'ReadingAnswer'>;
/** A member's reading; only a total goes without key and name. */
export type Row = Reading & { key: string; name: string };
export type Rung = Of<'RungPart'>;
export type Standing = Omit<Of<'StandingAnswer'>, 'rows' | 'groups'> & {
  rows: Row[];
  groups: Row[] | null;
};
export type Extreme = Of<'StandingAnswerExtreme'>;
export type StandingComparison = Omit<Of<'ComparisonAnswer'>, 'now' | 'then'> & {
  now: Standing;
  then: Standing;
};
export type ComparedPair = Of<'ComparisonAnswerPair'>;
export type Cell = Of<'SpanSheetAnswerCell'>;
export type MonthSheet = Omit<Of<'SpanSheetAnswer'>, 'rows'> & {
  rows: (Omit<Of<'SpanSheetAnswerSheetRow'>, 'whole'> & { whole: Row })[];
};
export type OutlookRow = Of<'OutlookAnswerRowAnswer'>;
/** A member's outlook; only a total goes without key and name. */
export type OutlookMember = OutlookRow & { key: string; name: string };
export type Outlook = Omit<Of<'OutlookAnswer'>, 'rows' | 'groups'> & {
  rows: OutlookMember[];
  groups: OutlookMember[] | null;
};
export type CloseList = Of<'CloseAnswer'>;
export type CloseLine = Of<'CloseAnswerLine'>;
export type CloseSource = Of<'CloseAnswerSource'>;
export type CloseArrival = Of<'CloseAnswerArrival'>;
export type MonthClose = Of<'ClosesMonthClose'>;
export type FollowUp = Of<'NoteControllerFollowUpAnswer'>;
/** A query's parameters are texts, or lists of texts. */
export type ExhibitOf = { kind: string; view: Record<string, unknown>; row: string | null };
export type BriefingBlock = Omit<Of<'PageAnswerBlockAnswer'>, 'exhibit'> & {
  exhibit: ExhibitOf | null;
};
export type Briefing = Omit<Of<'PageAnswer'>, 'blocks'> & { blocks: BriefingBlock[] };
export type BriefingListed = Of<'BriefingControllerListAnswer'>;
export type BriefingReader = Of<'BriefingMailReader'>;
export type BriefingSchedule = Of<'BriefingControllerScheduleAnswer'>;
export type BriefingTemplate = Of<'BriefingControllerTemplateAnswer'>;
export type Candidate = Of<'BriefingReaderCandidate'>;
export type ExhibitTable = Of<'ExhibitData'>;
export type Deals = Of<'DealsAnswer'>;
export type Deal = Of<'DealsAnswerDealAnswer'>;
export type DealHistory = Of<'DealsAnswerHistoryAnswer'>;
export type Accuracy = Of<'AccuracyAnswer'>;
export type Bridge = Of<'BridgeAnswer'>;
export type Claim = Of<'InsightServiceClaimAnswer'>;
export type ReasonShare = Of<'InsightServiceReasonAnswer'>;
export type Claims = Of<'InsightServiceClaimsAnswer'>;
export type Part = Of<'CloseUpAnswerPart'>;
export type CloseUp = Of<'CloseUpAnswer'>;
export type Trial = Of<'InsightServiceTrialAnswer'>;
export type Orders = Of<'OrdersAnswer'>;
export type Order = Of<'OrdersAnswerOrder'>;
export type Corrections = Of<'CorrectionsAnswer'>;
export type Reason = Of<'NoteStoreReason'>;
export type SavedView = Of<'ViewStoreSavedView'>;
export type MonthReading = Of<'PathAnswerMonthAnswer'>;
export type Path = Of<'PathAnswer'>;
/** A line of a file, from wherever a figure is followed to it. */
export type SourceRow = Omit<ProvedRow, 'formula'>;
export type ProvedRow = Of<'ProofAnswerSourceRow'>;
export type Proof = Of<'ProofAnswer'>;
export type Finding = Of<'LoadAnswerFindingAnswer'>;
export type Sums = Of<'LoadAnswerSumsAnswer'>;
/** A system that can be asked, for a month's orders or for a day's deals. */
export type PullSource = Of<'PullServiceSource'>;
export type Progress = Of<'LoadAnswerProgressAnswer'>;
export type Load = Of<'LoadAnswer'>;
export type SheetColumn = Of<'StoredSheetAnswerColumnAnswer'>;
export type Fault = Of<'StoredSheetAnswerFaultAnswer'>;
export type SheetLine = Of<'StoredSheetAnswerLineAnswer'>;
export type Sheet = Of<'StoredSheetAnswer'>;
export type CheckFinding = Of<'ChecksAnswerOne'>;
export type CheckGroup = Of<'ChecksAnswerGroup'>;
export type UnknownName = Of<'ChecksAnswerNameAnswer'>;
export type Checks = Of<'ChecksAnswer'>;
export type Change = Of<'ChangesAnswerChangeAnswer'>;
export type Changes = Of<'ChangesAnswer'>;
export type PayComponent = Of<'EarningsRowComponentPart'>;
export type NextPay = Of<'EarningsRowNextPart'>;
export type PayAdjustment = Of<'EarningsRowAdjustmentPart'>;
export type PayRow = Of<'EarningsRow'>;
export type PayTotals = Of<'EarningsDeskTotals'>;
export type PayDesk = Of<'EarningsDeskDeskAnswer'>;
export type PaySource = Of<'EarningsDeskSourceLine'>;
export type PayLine = Of<'StatementLinesLine'>;
export type Job = Of<'StatementJobsJobAnswer'>;
export type SentState = Of<'StatementControllerSentAnswer'>;
export type PayStatement = Of<'EarningsDeskStatementAnswer'>;
export type WhatIf = Of<'EarningsDeskWhatIfAnswer'>;
export type OneMore = Of<'EarningsDeskOneMoreAnswer'>;
export type BoundPart = Of<'PlanPartBoundPart'>;
export type PlanPart = Of<'PlanPart'>;
export type AssignmentPart = Of<'PlanPartAssignmentPart'>;
export type CreditPart = Of<'PlanPartSharedPart'>;
/** How the company writes; null takes a setting back. */
export type WritingRules = {
  [Key in keyof Of<'RulesAnswerWritingPart'>]: Of<'RulesAnswerWritingPart'>[Key] | null;
};
export type CompanyRules = Of<'RulesAnswerCompanyPart'>;
/** What the desk of the rules edits of them. */
export type Rules = Pick<
  Of<'RulesAnswer'>,
  | 'company'
  | 'calendar'
  | 'measures'
  | 'ladders'
  | 'shading'
  | 'stretches'
  | 'stages'
  | 'closing'
  | 'plans'
  | 'assignments'
  | 'credits'
  | 'approval'
>;
export type MeasureRule = Of<'RulesAnswerMeasurePart'>;
export type StretchesRule = Of<'StretchesPart'>;
export type LadderRule = Of<'RulesAnswerLadderPart'>;
export type Decides = Of<'RulesControllerDecidesAnswer'>;
export type Holiday = Of<'HolidayFileHoliday'>;
export type SealCheck = Of<'SealServiceCheck'>;
export type SealState = Of<'SealServiceSealAnswer'>;
export type ChangedSince = Of<'SealServiceChanged'>;
export type PlanTrial = Of<'PlanTrialTrialAnswer'>;
export type RecordState = Of<'RecordServiceRecordAnswer'>;
export type AcceptedName = Of<'AliasStoreAlias'>;
export type AuditEntry = Of<'AuditEntry'>;
export type GoalDesk = Of<'GoalDeskAnswer'>;
export type GoalLine = Of<'GoalDeskAnswerLineAnswer'>;
export type GoalGroup = Of<'GoalDeskAnswerGroupAnswer'>;
export type GoalDraft = Of<'GoalDeskAnswerDraftAnswer'>;
/** A cell as it is to be; without an amount and ends the goal is taken away. */
export type GoalCell = Required<Of<'GoalSheetsCellBody'>>;
export type GoalPercents = Of<'GoalDeskPercentsAnswer'>;
export type GoalSum = Of<'GoalDeskSumAnswer'>;
export type GoalPast = Of<'GoalSheetsPastAnswer'>;
export type Proposal = Of<'ProposalAnswer'>;
export type ProposalLine = Of<'ProposalWorkLine'>;
/** The rules after a save, or what waits for a second person. */
export type SavedRules = Rules & { proposal?: Proposal };
export type GoalApplied = Of<'GoalDraftControllerApplied'>;
export type GoalHanded = Of<'GoalDraftControllerHanded'>;
export type GoalsCompared = Of<'GoalComparisonAnswer'>;
