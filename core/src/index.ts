export { fail, succeed, type Issue, type Result } from './issue';
export { normalFrom, seeded } from './numeric/random';
export { darken, lighten, type LineStyle } from './drawing/line-style';
export { tileOf } from './drawing/line-texture';
export { LINE_TINTS, PALETTE } from './drawing/palette';
export type { RuleStretch } from './drawing/rule-stretch';
export { layoutSection, type SectionBox, type SectionView } from './drawing/section-layout';
export { allowedIn, parseQuantity, type Allowed } from './quantities/parse-quantity';
export type { Quantity } from './quantities/quantity';
export { counted } from './quantities/counted';
export * from './quantities/format-quantity';
export { spanText } from './quantities/span';
export { KILOGRAM_FORCE, UNIT_SYSTEMS, type Dimension, type UnitSystem } from './quantities/units';
export { isBraid, lineArea, MATERIALS, woundArea, type Line, type Material } from './lines/line';
export { lengthAfterTurns, lengthBetween, radiusAfter, turnsBetween } from './winding/winding';
export { layerSum, type LayerStack } from './winding/layer-sum';
export type { SpoolGeometry } from './spool/spool-geometry';
export {
  OBSERVATION_RANGE,
  type Observation,
  type PrintedBy,
  type Underlay,
  type WoundLength,
  type WoundLine,
} from './spool/observation';
export { ownMeasures } from './spool/own-measures';
export { priorsOf, type Beliefs } from './spool/beliefs';
export {
  priorsFor,
  READING_SD,
  STARTING_PRIORS,
  type Belief,
  type PrintSystem,
  type SpoolPriors,
} from './spool/priors';
export { saysMaterial } from './prints/print-chunks';
export { knownSpool, type Estimate } from './spool/estimate';
export { knownFrom } from './spool/known-from';
export { inferSpool, type InferredSpool } from './spool/infer-spool';
export type { Disagreement } from './spool/disagreement';
export type { FillRequest, LayerLength, LayerRequest, LayerRole } from './plan/fill-request';
export type { Level } from './quantities/level';
export { parseAmount, type Amount, type AmountAllowed } from './quantities/amount';
export { levelText, packText } from './quantities/amount-text';
export {
  message,
  tell,
  tellMetric,
  type Message,
  type MessageValue,
  type ValuesFor,
  type Words,
} from './words/message';
export type { MessageCode } from './words/catalogue';
export { isMessage, sameWords, wordsAsText, wordsFromText } from './words/as-text';
export {
  proposePiece,
  SERVES,
  servesIn,
  type OfferedPiece,
  type PieceNeeded,
  type ProposedPiece,
} from './builds/propose-piece';
export { levelRange, levelWords, markWords } from './plan/judge-gap';
export { REEL_TRAITS, REEL_TYPES, usualGear, type ReelTraits } from './lines/reel-type';
export { EVENT_KINDS, EVENT_TRAITS, hasTrait, type EventKind } from './run/event-traits';
export type { FillPlan, PlanIssue, PlannedLayer } from './plan/fill-plan';
export type { Ranged } from './numeric/ranged';
export {
  allocate,
  freeOn,
  givenBack,
  NOTHING_TAKEN,
  type AllocatedCut,
  type TakenLine,
} from './cuts/allocate';
export {
  compareCuts,
  CUT_LEVELS,
  faultsOfCuts,
  scoreCuts,
  type CutLevel,
  type CutScore,
} from './cuts/score-cuts';
export { demandsOf, type JoinedCut } from './cuts/joined';
export { firstComeCuts } from './cuts/first-come';
export { quickCuts } from './cuts/quick-cuts';
export type { LevelGap, Solve } from './cuts/level-cuts';
export { linkedGroups, planCuts, type CutPlan } from './cuts/plan-cuts';
export {
  LEAST_JOINED_MM,
  lotOf,
  type CutJob,
  type CutOff,
  type JobCut,
  type Stock,
  type StockPiece,
} from './cuts/stock';
export { orderNeed, type LineUse, type OrderNeed } from './order/order-need';
export { orderPacks, type PackSize, type PacksToOrder } from './order/order-packs';
export { shareComing, type ComingPack } from './cuts/share-coming';
export { wasteOf, type PieceWaste } from './cuts/waste';
export type { CutOnPiece } from './cuts/cut-on-piece';
export { booksOff, isSealed, type CutPiece, type Takes } from './cuts/cut-piece';
export { NINETIETH } from './numeric/normal';
export { USUAL_PLAN_RULES, type PlanRules } from './plan/plan-rules';
export { REQUEST_RANGE } from './plan/check-request';
export { planFill } from './plan/plan-fill';
export { isUnknown } from './plan/stack';
export { ASSUMED, makePlan, type Assumed, type MadePlan, type PlanInput } from './plan/make-plan';
export { CORRECTED, GIVEN_UP_TO } from './run/run-event';
export type * from './run/run-event';
export { pieceStretches, type PieceStretch } from './run/piece-shares';
export { SUPPLY_WAYS, type SupplyWayAtBench } from './steps/supply-way';
export type { NoteValue, StepField } from './steps/step-field';
export { STEPS } from './steps/catalogue';
export { stepAt } from './steps/step-at';
export { stepFields, stepWords, stillMissing } from './steps/step-at';
export { runSteps } from './run/run-steps';
export { noteAt } from './steps/note-at';
export { kindOfStep, noteProblem } from './steps/check-notes';
export { tellLog, type ToldEvent } from './record/tell-log';
export { tellWants } from './record/tell-wants';
export { tellFill, type Chapter } from './record/tell-fill';
export { standingOf } from './run/fold-run';
export { stepId, type RunFacts, type RunStep, type StepKind } from './steps/run-facts';
export { isSwap, windingRequest } from './steps/winding-order';
export { byDevice } from './run/apply-event';
export { laidBelow, type LaidBelow } from './run/laid-below';
export { layersOn, stepsToStrip } from './run/strip-all';
export * from './record/lying';
export { askCounter, type CounterAnswer, type CounterQuestion } from './counter/counter-question';
export { factsNow } from './run/facts-now';
export { beginFold, foldOn, foldRun, stateOf, stateWith, type RunFold } from './run/fold-run';
export type { Counted, DepthReading, LaySeen, RunState, SlackSeen, SupplySeen } from './run/run-state';
export {
  askedIn,
  runUnderWay,
  sameSeen,
  spoolUnderWay,
  windingOn,
  type SeenUnderWay,
  type RunUnderWay,
} from './run/under-way';
export { segmentsOf, type Segment, type Segments } from './plan/segments';
export type { Settling, SettlingCause } from './run/settling';
export { amountOf, takenOff, type CountedAmount } from './run/counted-amount';
export { judgeDepth, type DepthJudgement } from './run/judge-depth';
export { restOfFill, type RestOfFill } from './run/rest-of-fill';
export { tooLong, type TooLong } from './run/too-long';
export { benchTwist, type BenchTwist } from './run/bench-twist';
export { finalFill } from './run/final-fill';
export { gearAt } from './run/winder';
export { COUNTED, COUNTED_TRAITS, countsLine, eachTurn, type DeviceCounts } from './run/counted';
export { creditCount, type CountingDevice, type Credit, type OddCount } from './run/credit-count';
export { countedSince, withCounters, type CountersNow } from './run/seeing';
export { markDue, meterStands, type MeterStands } from './run/metering';
export { bulkIn } from './spool/estimate';
export { measuredRadius, type MeasuredRadius } from './run/measured-radius';
export { countQuestion, type CountAnswer, type CountQuestion } from './run/count-question';
export { woundSoFar, type WoundLayer } from './plan/wound';
export { windingNow, type WindingNow } from './run/turns-to-go';
export {
  printedDiameter,
  readPrints,
  type Print,
  type PrintContext,
  type PrintReading,
} from './prints/read-prints';
export {
  fillUnderWay,
  restAsAsked,
  restToGap,
  type DepthRead,
  type FillLookedAt,
  type FillUnderWay,
} from './plan/fill-under-way';
export { explainLayer, type Reckoning } from './plan/explain-plan';
export { makeItSurer, type Surer } from './plan/make-it-surer';
export { diameterByWraps } from './lines/diameter-by-wraps';
export { planSwap, swapOf, type SwapPlan, type SwapRequest } from './plan/plan-swap';
export { fillAsObservation, KIND_SPREAD, kindFillsAsObservations, type ClosedFill } from './learn/learn';
export { compareBuilds } from './builds/compare-builds';
export type { Build, BuildChoice, BuildIssue, BuildKind, PieceTooShort, StockLine } from './builds/build';
export { lineCost, type LineCost, type PricePerMetre } from './money/line-cost';
export { twistLedger, type Sense, type SupplyWay, type Twist, type TwistSetup } from './twist/twist-ledger';
export {
  compareSupply,
  type SupplyAdvice,
  type SupplyChoice,
  type SupplyOption,
  type SupplyStand,
} from './twist/compare-supply';
export {
  readSlackTest,
  slackLookDue,
  slackShare,
  USUAL_SPAN,
  type SlackExpected,
  type SlackReading,
  type SlackResult,
  type SlackVerdict,
} from './twist/slack-test';
export { cylinderUptake, SATURATION, soakHours, soakUptake, type Uptake } from './soak/soak-uptake';
export {
  DENSITY,
  learnMass,
  metresFromMass,
  solidMass,
  texOf,
  type LinearMass,
  type MassIssue,
  type Sample,
  type WeighIn,
} from './mass/metres-from-mass';
export {
  layAdvice,
  LOOK_AGAIN_AFTER,
  type LayAdvice,
  type LayBefore,
  type LayMemory,
  type LayReading,
  type LayShape,
  type WasherAction,
} from './lay/lay-advice';
export type { Advice } from './advice/advice';
export type { ReelType } from './lines/reel-type';
export { gapAdvice, type GapAdvice, type Rim } from './advice/gap-advice';
export { gripAdvice, type ArborSurface, type GripAdvice } from './advice/grip-advice';
export { arborKnotAdvice, joinAdvice, type JoinAdvice, type JoinKnot } from './advice/knot-advice';
export { tensionAdvice, type TensionAdvice } from './advice/tension-advice';
export { guidesAdvice, handsAdvice } from './advice/handling-advice';
export { memoryAdvice } from './advice/memory-advice';
export { dragAdvice, type DragAdvice } from './advice/drag-advice';
export { bedInText } from './advice/bed-in-text';
export { dueText, type DueFacts } from './advice/due-text';
export { waitsText } from './advice/waits-text';
export { readyText } from './advice/ready-text';
export { MESSAGE_WORDS, unknownWords, USUAL_WORDINGS } from './advice/wording';
export { serviceAdvice, serviceLife, type ServiceAdvice, type Wear } from './advice/service-advice';
export { reverseAdvice, type ReverseAdvice } from './advice/reverse-advice';
export { soakAdvice, type SoakAdvice } from './advice/soak-advice';
export { dragTooHigh } from './advice/drag-limit';
export { judgeDrag, type DragJudgement, type DragPart } from './advice/judge-drag';
export {
  HOUSE_QUESTIONS,
  schoolOf,
  USUAL_HOUSE_RULES,
  type HouseQuestion,
  type HouseRules,
} from './house-rules/house-rules';
export type { Question, School } from './house-rules/school';
export {
  effectiveRules,
  EXCEPTION_SCOPES,
  nearness,
  type EffectiveRules,
  type ExceptionScope,
  type RuleException,
} from './house-rules/effective-rules';
export {
  adviceSheet,
  changedAdvice,
  supplyAdvice,
  turnsRound,
  type AdviceFacts,
  type AdviceSheet,
  type ChangedAdvice,
} from './advice/advice-sheet';
export { supplySizes, type SupplySpool } from './twist/supply-sizes';
export {
  BUILT_IN_CAUTIONS,
  CAUTION_PLACES,
  cautionsOf,
  type BuiltInCaution,
  type Caution,
  type CautionPlace,
  type OwnCautions,
} from './cautions/cautions';
export { settleFill } from './settle/settle-fill';
export type { Basis, SettledFill, SettledLayer } from './settle/settled-fill';
export type { Answer, Question as SettlingQuestion } from './settle/question';
export type { DepthEvidence, FillEvidence, LayerEvidence, PieceHeld } from './settle/evidence';
export { evidenceOfRun, observationsOfFill } from './settle/evidence-of-run';
export { wantedGap } from './run/wanted-gap';
export { gapAsRead, GAP_MATTERS, gapMoved, gapRemedy, thumbRemedy, type GapRemedy } from './run/gap-remedy';
export { looseLayer, type LooseLayer } from './run/loose';
export { lessonOf, type Lesson } from './learn/lesson';
export { learnShop, type Learned, type ShopLearning, type ShopLesson } from './learn/learn-shop';
export { beliefsFor, handKey, kindKey, type LearnedOf } from './learn/beliefs-for';
export { COUNTER_UNITS, metresPer, type CounterUnit } from './counter/counter-unit';
export type { CounterFace, KnownCounter } from './counter/counter-beliefs';
export { counterMatch, WALK_RANGE, type CounterMatch, type CounterRequest } from './counter/counter-match';
export type { Walk } from './counter/counter-fit';
export { TABLE_SHARES, counterTable, type TableRow } from './counter/counter-table';
export { reelToTouch, setTable, type SetReel, type SetRow } from './counter/counter-set';
export { planOuting, type Trip } from './counter/outing';
export { movedTurns, topLength, type CounterSpool } from './counter/paid-out';
export { counterAim } from './plan/counter-aim';
export { DOUBT_CAUSES, walkDoubts, type DoubtCause, type WalkDoubt } from './counter/walk-doubt';
export { counterNow, counterRequest, setupOf, walksOf, type CounterSetup } from './run/counter-now';
export {
  recordedMatch,
  recordedTable,
  runsAheadOf,
  type RecordedMatch,
  type RecordedWalk,
} from './run/recorded-match';
export { learnCounters, type CounterLesson, type LearnedCounters } from './learn/learn-counters';
export { DEPTH_RANGE, GAP_RANGE, USUAL_TAPE } from './quantities/reel-ranges';
export { METRES_PER_YARD, MM_PER_INCH } from './quantities/units';
export { adviceFacts, type SupplyKnown } from './advice/advice-facts';
export { dueMessage } from './advice/due-message';
export { OWN_PREFIX, ownLineCode } from './cuts/own-line';
export { WATER_STATES, waterState } from './cuts/water-state';
export {
  exceptionsFor,
  sortKey,
  sortName,
  type ExceptionFacts,
  type SavedException,
} from './house-rules/exceptions-for';
export { lineOf, mayBeSoaked } from './lines/product-line';
export { STREAMS, streamOf, type Stream } from './lines/stream';
export { fillStyle, fillSection, fillStretches, type SayLengths } from './record/fill-drawing';
export { counterOf, meterOf } from './run/counter-of-bench';
export { runFacts } from './run/facts-of-run';
export {
  beginCounter,
  reduceCounter,
  SILENT_MS,
  type BenchCounterState,
  type CounterEffect,
  type CounterInput,
  type Credited,
  type Weighed,
} from './devices/bench-counter';
export { shownTo } from './devices/shown-counter';
export { takenUpAt } from './devices/taken-up-at';
export { calledNow, inNamesOfNow, type Called } from './run/device-names';
export { parseCounterLine, type CounterLine } from './devices/counter-line';
export { answered, hearLine } from './devices/hear-line';
export type { Heard } from './devices/heard';
export {
  DONE_AT,
  OPERATIONS,
  type BagInHand,
  type Day,
  type DayPlan,
  type Operation,
  type OperationKind,
  type Placed,
  type Span,
} from './day/day';
export { learnTimes, type DayTimes } from './day/day-times';
export { earliestPromise } from './day/earliest-promise';
export type { Ordered } from './day/improve-day';
export { mendDay, movedIn, type MovedOperation } from './day/mend-day';
export { fillId, operationsOf, type DayReel, type DaySoak, type Wish } from './day/operations-of';
export { planDay } from './day/plan-day';
export {
  linesInWords,
  listedRows,
  placeInWords,
  rowInWords,
  type RowToTell,
  type SaysLength,
} from './day/row-words';
export { guessColumns } from './stock-list/guess-columns';
export type { Column as StockColumn } from './stock-list/match-heads';
export { STOCK_FIELDS, STOCK_TRAITS, type StockField } from './stock-list/stock-fields';
export {
  hasCommas,
  readStock,
  SAMPLE_STOCK,
  usualUnit,
  type OnTheRack,
  type StockProblem,
  type StockReading,
  type StockRow,
} from './stock-list/read-stock';
export { CANNOT_TELL, LOOK_KEYS, lookOf, type LookKey } from './faults/looks';
export type { FaultLook } from './faults/look';
export { SYMPTOMS, symptomName, symptomsIn, type Symptom } from './faults/symptoms';
export { authoredRates, causeOf, FAULT_CAUSES, shopRates, type FaultCause } from './faults/causes';
export type { FaultReel, Whose } from './faults/cause';
export {
  faultReasons,
  findFault,
  latestLooks,
  type FaultCase,
  type FaultFound,
  type Reason,
} from './faults/find-fault';
export type { LookMade } from './faults/weigh-faults';
export { faultReelOf, type FilledLayer, type FilledReel } from './faults/filled-reel';
export { edgesAnswer, levelAnswer, recordLooks, type LookKnown } from './faults/record-looks';
export { faultRemedy, type FaultRemedy } from './faults/remedy';
export { toldWords } from './faults/told-words';
export { standingOut, type FillGroup, type StandingOut } from './faults/stands-out';
