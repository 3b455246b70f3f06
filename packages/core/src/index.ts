/** Public API of the core, layer by layer. */
export { accept, outcomeOf, refuse, Refusal, type Outcome, type Problem } from './problem/problem.ts';
export {
  AUDIT_TOLERANCE,
  inches,
  LONGEST,
  mm,
  nanometers,
  roundToNm,
  NM_PER,
  toInches,
  toMm,
  ZERO,
  type DisplayUnit,
  type Length,
  type LengthUnit,
} from './length/length.ts';
export { KG_PER_POUND, LITERS_PER_QUART, MM_PER_INCH } from './length/constants.ts';
export { parseLength, type ParsedLength } from './length/parse.ts';
export { enter, entered, enteredFromNm, readEntered, typedText, type Entered } from './length/entered.ts';
export { exactText, exactTextWithUnit, tape, tapeText, tapeTextWithUnit, type TapeLength } from './length/format.ts';
export { explainedLength, minus, plus, type ExplainedLength, type Label, type LengthTerm, type Source } from './explained/explained-length.ts';
export { evaluate, termOf, total, type ExplainedValue, type ValueTerm, type ValueUnit } from './explained/explained-value.ts';
export { extentOf, place, type EdgeId, type Face, type Panel, type Role } from './solid/panel.ts';
export type { Slot } from './solid/connection.ts';
export type { ResolvedPanel } from './solid/resolve.ts';
export { hangsOnCleat, resolveCabinet, type Compartment, type Handle, type Hanging, type Hardware, type ResolvedCabinet, type Rip } from './solid/cabinet.ts';
export { meshesOf, type PanelMesh } from './solid/mesh.ts';
export type { Corner, FlatPoint as PieceSpot } from './parts/corner.ts';
export { pieceDrawing, type PieceDrawing, type PieceHole, type PieceSlot } from './parts/piece-drawing.ts';
export { drawnPart, keptCorners, LOOSE, looseInOrder } from './parts/loose-parts.ts';
export { MAX_CORNERS, MAX_LOOSE, MAX_LOOSE_COUNT, type LoosePart, type OutlineCorner } from './model/loose-part.ts';
export {
  boundsOf,
  boundsOfCabinet,
  frontView,
  sectionAt,
  hookPlane,
  sectionPlane,
  sectionView,
  viewFrom,
  type Bounds,
  type SectionAxis,
  type SeenPanel,
  type ViewId,
} from './solid/views.ts';
export { baysShown, heightsShown } from './solid/shown-spaces.ts';
export { slabFaces, type Vector } from './solid/mesh.ts';
export { takenOut, type TakenOut } from './solid/taken-out.ts';
export { LIFT_CLEARANCE, LIFT_MARGIN_MM } from './solid/hanging.ts';
export { MATERIALS, type Material } from './stock/materials.ts';
export { type MaterialId } from './model/workshop.ts';
export { type ThicknessUsed } from './stock/workshop.ts';
export { type Flaw, type Product, type Workshop } from './model/workshop.ts';
export {
  longestCrosscut,
  MACHINE_KINDS,
  machinesInOrder,
  MEASURE_LIMITS,
  newBit,
  newClamps,
  newMachine,
  ripCapacity,
  STARTER_SHOPS,
  widestKerf,
  type MeasureKey,
} from './stock/shop.ts';
export { type Bit, type Clamps, type Machine, type MachineKind, type Repeatability, type Shop, type DadoStack } from './model/shop.ts';
export { boughtAs, fitsCar, isSameSize, offersOf, type Offer } from './stock/offers.ts';
export { offersCodec } from './formats/offers-codec.ts';
export { starterWorkshop } from './stock/catalogue.ts';
export { PLAUSIBLE_SHARE, sheetsMeasured, thicknessOf, type SheetMeasured, type Trend } from './stock/thickness.ts';
export { PRESETS } from './contents/presets.ts';
export { type Contents, type PresetId } from './model/item.ts';
export { footprintOf, itemsInOrder, liftOf, type Footprint } from './contents/item.ts';
export { ITEM_KINDS, REACHES, STANCES, type Home, type Item, type ItemKind, type ProfilePoint, type Reach, type Stance } from './model/item.ts';
export {
  cellText,
  columnFor,
  ITEM_COLUMNS,
  ITEM_LIMITS,
  MAX_ITEMS,
  newItem,
  readCell,
  type ItemTableColumn,
  type ItemColumnKey,
} from './contents/item-form.ts';
export { isEstimated, ITEM_MATERIALS, massOf, massOfOne } from './contents/item-mass.ts';
export { arrange, canStand, columnOf, type Arrangement, type ItemLot, type ItemSpot } from './contents/arrange.ts';
export { MASS_UNITS, MAX_ITEM_KG, readWeight, weightText, type MassUnit } from './contents/weight.ts';
export { smallestBox } from './contents/smallest-box.ts';
export { setOut, type SetOut, type SetOutLevel, type SetOutSearch } from './contents/set-out.ts';
export { columnGroupsOf, setOutBound, widthsToTry, type Impossible, type SetOutJob, type SetOutLot } from './contents/set-out-job.ts';
export { answerRow, slotsIn, type RowAnswer } from './contents/row.ts';
export { ROW_KINDS, type Row, type RowKind } from './model/item.ts';
export { reachOf, type ReachZone } from './contents/person.ts';
export {
  railsInOrder,
  THING_KINDS,
  thingsInOrder,
  type BowLine,
  type BowReading,
  type Looked,
  type WallPlace,
  type StudMark,
  type Studs,
  type StudState,
  type ThingKind,
  type Wall,
  type WallRail,
  type WallThing,
} from './model/wall.ts';
export { MOST, OPENS_DEG, PERSON_HEIGHT, WALL_LIMITS } from './wall/wall-form.ts';
export { newWall, type NewWall } from './wall/new-wall.ts';
export { STRUCTURES } from './wall/structures.ts';
export { STRUCTURE_IDS, type StructureId } from './model/wall.ts';
export { MAX_RATING_N } from './wall/fixing.ts';
export { PLUG_IDS, type PlugId, type WallFixing } from './model/wall.ts';
export { NOTE } from './wall/wall-form.ts';
export { SPECIES } from './wall/species.ts';
export { SPECIES_IDS, type SpeciesId } from './model/wall.ts';
export { studCentres, studsKnown, studsOf, type Stud } from './wall/studs.ts';
export { blocksCabinets, ceilingAt, floorAt, lowestCeiling, mustBeReached, overlap, thingRect, type WallBlock, type WallRect } from './wall/placed.ts';
export { sweeps, swingOf, type Sector } from './wall/swing.ts';
export { bandAt, cableBands, drillState, type Band, type DrillState } from './wall/zones.ts';
export { faceOf, offAt, type Shims, type WallFace } from './wall/bow.ts';
export { freeRectangles, obstacles, runIn, wholeWall, type Clearances, type Run, type RunWish, type SharedGap } from './wall/free-space.ts';
export { centredBetween, proposePlaces, snap, spread, type Proposal, type SnapTarget, type SnapTo } from './wall/placing.ts';
export { peaksOf, spacingDoubted, type Doubt, type Peak, type ScanSample } from './wall/scan.ts';
export { layRail, nextStud, type RailLayout } from './wall/rails.ts';
export { FIT_PLAY } from './joints/fits.ts';
export type { Fit } from './model/joinery.ts';
export { SCREW_IDS, SCREWS, screwById, type Screw } from './joints/screws.ts';
export { newShelfBox, FLOOR, shelvesInOrder, type NewShelfBox } from './cabinets/shelf-box.ts';
export { type ShelfBox, type ShelfElement } from './model/specs/shelf-box.ts';
export { MAX_CONTENTS_KG, MAX_SHELVES, SHELF_AT, type ElementsForm, type FormField, type FieldGroup, type Form } from './cabinets/form.ts';
export { buildCabinet, choosesGrain, enters, FAMILIES, familyOf, isShelfBox } from './cabinets/families.ts';
export { type FamilyId, type CabinetSpec } from './model/specs/cabinet-spec.ts';
export type { Family } from './cabinets/family.ts';
export type { SpecBase } from './model/specs/spec-base.ts';
export type { NewSpec } from './cabinets/new-spec.ts';
export { joinSpaces, splitSpace, type SpecStep } from './cabinets/split-space.ts';
export type { Stocked } from './cabinets/box-frame.ts';
export type { Feature } from './parts/features.ts';
export { areaM2 } from './parts/parts.ts';
export type { PartLine } from './parts/part-line.ts';
export type { RailPlan } from './parts/rail-parts.ts';
export type { CompartmentLoad, CabinetWeights } from './parts/weights.ts';
export type { NestedSheet, NestPart, NestPlan, NestProblem, NestSheet } from './nesting/problem.ts';
export type { CutTree, Placement } from './model/sheet-layout.ts';
export { search, type Search } from './nesting/search.ts';
export { ASSUMED, type Assumed } from './assumed/assumed.ts';
export {
  assessExisting,
  EXISTING_BOTTOMS,
  EXISTING_CLEATS,
  EXISTING_FIXINGS,
  EXISTING_HOLDS,
  type RiskAssessment,
  type Repair,
  type ExistingCabinet,
  type ExistingRefusal,
} from './hang/existing-cabinet.ts';
export { boringWords, hangingSummary, type HangingStep, type HangingSummary } from './formats/hanging-steps.ts';
export { caseWords, holeStateWords, movingWords, repairWords, existingRefusalWords } from './formats/hanging-words.ts';
export { sumKeyWords, SUM_GROUPS, SUM_TITLES, type SumGroup } from './quick-sums/sum-words.ts';
export type { SumResult, ResultGroup, Sum, SumAnswer } from './quick-sums/sum.ts';
export { exampleOf, SUM_EXAMPLES, wordsOf } from './quick-sums/examples.ts';
export { isBetterPlan, trimOf } from './nesting/problem.ts';
export { stockAreasOf } from './nesting/pieces.ts';
export type { FirstCut } from './nesting/problem.ts';
export type { CutStep, SheetPiece as SawnPiece, SheetToCut } from './sawing/pieces.ts';
export { sequenceOf, settingKey, type Left, type Sequence } from './sawing/sequence.ts';
export { isLarge, THIN_RIP, type CutWay } from './sawing/ways.ts';
export { remainingStockAfter, type RemainingStock } from './sawing/remaining-stock.ts';
export { auditPlan } from './nesting/audit.ts';
export { spareOf, tightSheets, type Spare } from './nesting/spare.ts';
export { shows, type ShelfSag } from './sag/cabinet-sag.ts';
export { cabinetScrewRow } from './hang/carrier-links.ts';
export type { HangInput } from './hang/hang-input.ts';
export { analyzeHangingAt, type HangingAnalysis } from './hang/hang.ts';
export { carriesRange, loadLimits, type CarriesRange, type LoadLimits } from './hang/limits.ts';
export { FULLER, loadCases, movingCases, type CaseId, type LoadCase, type LoadCases, type MovingCase } from './hang/load-cases.ts';
export { boundToStuds, groundOf, MAX_ON_ANCHORS_KG, MAX_PER_ANCHOR_KG, PLUGS, type Ground } from './hang/grounds.ts';
export { hangingHoles, wallHoles, type Boring, type CarcassHoles, type HangingHoles, type WallHole } from './hang/holes.ts';
export type { Link } from './hang/link.ts';
export { stateAt, VERDICT_WORDS, type Judged } from './checks/verdict.ts';
export { helpWords, verdictSummary, type VerdictSummary } from './formats/verdict-summary.ts';
export type { RefusalReason, VerdictState } from './hang/refusals.ts';
export { AS_ASKED, type FirstHang, type Seating } from './hang/seating.ts';
export { loadCurves, type LoadCurve, type LoadCurves } from './hang/load-curves.ts';
export { wallHalfEnds, wallHalfFoot, type StudUse } from './hang/wall-links.ts';
export { wallRows } from './hang/wall-rows.ts';
export { blockOf, ownSwings } from './checks/place-checks.ts';
export { cabinetShims } from './checks/wall-checks.ts';
export type { Finding, Fix, Severity, Station } from './checks/finding.ts';
export {
  bothMasses,
  figureText,
  fineText,
  forceText,
  fromShownMass,
  lengthText,
  massPerUnit,
  massText,
  percentText,
  sagText,
  toShownMass,
} from './checks/words/amounts.ts';
export { findingWords, type Sentence } from './checks/words/findings.ts';
export { fixWords } from './checks/words/fixes.ts';
export { citationWords } from './checks/words/citations.ts';
export { labelWords, withArticle, WORDS } from './checks/words/labels.ts';
export { linkWords } from './checks/words/link-words.ts';
export { seeded } from './random/random.ts';
export { displayUnitOf, variantsOf, type Variant, specsInOrder, type Design } from './model/design.ts';
export { type SheetCut } from './model/sheet-layout.ts';
export { draftCabinet } from './planner/draft.ts';
export { applyEdit, valueAt, type Edit, type EditStep } from './model/edit.ts';
export { hasFloor, countPlaced, unplacedItems } from './planner/contents.ts';
export { insideOf, kgOf, placeFor, setOutEdit, setOutJob, type SetOutWish } from './proposals/set-out-plan.ts';
export { addCabinet, proposeBox, withBox, type Proposed } from './proposals/propose-box.ts';
export { agreementOf, contentsNeed, type Disagreement } from './proposals/agreement.ts';
export { hangOnRail } from './proposals/hang-on-rail.ts';
export { fillRoom, roomAbout, roomsFor, runOfCabinets, type RunPlan } from './proposals/fit-space.ts';
export { capital } from './checks/words/sentence.ts';
export { newStops, issueFixes, withoutStops } from './proposals/issue-fixes.ts';
export { stockReader } from './planner/stock-reader.ts';
export { createPlanner, plan, cabinetLetter, type Plan, type Planner, type CabinetPlan, type UnplannedCabinet } from './planner/plan.ts';
export { cutWords, sizeWords, type CutWords } from './formats/cut-words.ts';
export {
  asPlan,
  isOutOfDate,
  jobOverTheRest,
  keptLayout,
  layoutOf,
  partsOff,
  piecesKey,
  progressOf,
  sheetsOfLayout,
  sheetsOfPlan,
  textKey,
  type Progress,
} from './sheets/layouts.ts';
export { runNest, type NestClock, type NestOrder } from './sheets/nest-run.ts';
export { offcutFirst } from './sheets/offcut-first.ts';
export type { GrainChoice } from './model/specs/spec-base.ts';
export { partLabels, type PartLabel } from './formats/label-words.ts';
export { wrongPlaceWords } from './formats/place-words.ts';
export { whatIfs, type WhatIf, type WhatIfChange } from './proposals/what-if.ts';
export { sheetStates, type SheetState } from './sheets/sheet-states.ts';
export { inTheWay, isNewSheet, newSheetId, pinsThatFail, placeOn, placementOf, snapped, wrongPlace, type WrongPlace } from './sheets/pins.ts';
export { boardJobs, boardPurchases, lineOfBoardPiece, lineOfPiece, sheetJobs, type BoardJob, type SheetJob } from './sheets/cutting.ts';
export type { BoardPlan, CutBoard } from './nesting/boards.ts';
export { inAnotherLength, lengthSold, lengthsForSale, nameInLists, nameOfKind } from './stock/board-lengths.ts';
export { canMirror, cutLike, mirrored, patternsFor, uncut, specFor } from './proposals/rearrange.ts';
export { largestChange, redesign, type MovedSize, type Redesign } from './proposals/redesign.ts';
export { purchaseCost, type Purchase } from './sheets/purchase.ts';
export { projectOfPiece, yardTrip, type ToBeCut, type TripProject, type YardTrip } from './sheets/yard-trip.ts';
export { shoppingCost, shoppingOf, stockLines, type ShoppingLine } from './sheets/shopping.ts';
export { shoppingCsv } from './formats/shopping-csv.ts';
export { amountText, shoppingSize, shoppingText } from './formats/shopping-words.ts';
export { keepVariant, stockFor, chooseVariant, removeCabinet, variantFigures, type VariantFigures } from './proposals/variants.ts';
export { figuresOf, preview, type Preview, type CabinetFigures } from './proposals/preview.ts';
export { hangHelps, type HangHelp } from './proposals/hang-helps.ts';
export { remediesFor, type Remedy } from './proposals/remedies.ts';
export { answerSum, listSums, SUMS } from './quick-sums/sums.ts';
export type { Json, Schema } from './formats/codec.ts';
export { designCodec, MAX_ORDERED } from './formats/design-codec.ts';
export { wallCodec } from './formats/wall-codec.ts';
export { liftDesign, liftWorkshop } from './formats/migrations.ts';
export { recordCodec } from './formats/record-codec.ts';
export { MAX_TAX, pieceCodec, PRODUCT_LIMITS, readWorkshop, workshopCodec } from './formats/workshop-codec.ts';
export { MAX_BYTES, readJsonText } from './formats/json-text.ts';
export {
  checkProducts,
  FORMAT,
  projectSchema,
  readProject,
  MAX_FILE_BYTES,
  readProjectFile,
  VERSION,
  writeProject,
  writeProjectText,
  type ProjectFile,
} from './formats/project-file.ts';
export { merge, sameJson, type Merge } from './formats/merge.ts';
export { cutListCsv, edgeWords, featureWords } from './formats/cut-list-csv.ts';
export { sizedByItems } from './proposals/size-from-items.ts';
export {
  guessColumns,
  leftOutCsv,
  LENGTH_UNITS,
  readForeign,
  readForeignTable,
  SEPARATORS,
  usualUnit,
  type CellUnit,
  type ColumnChoice,
  type ForeignTable,
  type ReadForeign,
  type RowFault,
  type Separator,
  type TableColumn,
  type TableKind,
  unreadTitles,
} from './formats/foreign-table.ts';
export { NOT_WORKED_OUT } from './formats/table-rows.ts';
export { thingsTable } from './formats/things-table.ts';
export { productsCsv, productsTable } from './formats/products-table.ts';
export { PART_SIDE, partsTable } from './formats/parts-table.ts';
export { contentsCsv, readContents, type ReadContents, type ReadOptions } from './formats/contents-csv.ts';
export { sheetSvg } from './formats/sheet-svg.ts';
export { readNestProblem, readNestProblemText, writeNestProblem } from './formats/nest-problem.ts';
export { readNestPlan, writeNestPlan } from './formats/nest-plan.ts';
export { planJson } from './formats/plan-json.ts';

export { compound, tiltFor, type Turned } from './setups/angles.ts';
export { onScale, scaleOf, STACK_ID, type Known, type Calibration } from './setups/calibration.ts';
export { learnedWorkshop, type LearnedWorkshop } from './planner/learned-workshop.ts';
export { STAGES, type OperationBlank, type Operation, type ToolingStage, type Work } from './setups/operations.ts';
export { edgeOffset } from './setups/router.ts';
export { slotAsDrawn } from './joints/as-built.ts';
export { seamOf } from './solid/seams.ts';
export { partChanges, type PartChange } from './parts/part-changes.ts';
export { inWantedOrder, movedBy, type Swapped } from './setups/order.ts';
export { setupsOf, type CleatRip, type Setups } from './setups/setups.ts';
export type { SetupCut as SetupCut, Setup } from './setups/setup.ts';
export type { WorkHold, Setting, OperationWay } from './setups/setting.ts';
export { EMPTY_DECISIONS } from './model/design.ts';
export type { Cutting, KeptLayout, KeptSheet, PinnedPart } from './model/sheet-layout.ts';
export { availableTo, keepsOffcut, pieceName, withoutStore } from './stock/workshop.ts';
export { type StockPiece } from './model/workshop.ts';
export { skewOf, usableSize } from './stock/out-of-square.ts';
export type { SetupContext, SetupRow } from './formats/setup-settings.ts';
export { faceWords, orderWords, setupWords, type SetupPiece, type SetupWords } from './formats/setup-words.ts';
export { sectionOfJoint, type JointSection } from './solid/joint-section.ts';
export type { DrawnPoint } from './solid/views.ts';
export { hasPlay, heldByWords, JOINT_NAMES, jointWords, loadedWords } from './formats/joint-words.ts';
export { jointGroups, type JointGroup } from './joints/joint-groups.ts';
export type { ToleranceChain } from './setups/tolerance-chain.ts';
export { toleranceChains } from './setups/tolerance-chains.ts';
export { expectedFit, helpsFor, simulateFit, type FitHelp, type FitRun } from './setups/fit-simulation.ts';
export { storySticks, type StickMark, type StoryStick } from './setups/story-stick.ts';
export { lieOf } from './parts/parts.ts';
export { buildOf, type Build, type BuildFault } from './build/build.ts';
export { DAY_MIN, dayOf, dayStart, wallMinutes, weekday, windowsFrom, type Window } from './build/calendar.ts';
export { idleIn, type Idle } from './build/idle-hours.ts';
export { PART_BY_PART } from './build/late-parts.ts';
export { DEFAULT_BUILD, type BuildChoices, type GlueWay, type Session } from './model/build-choices.ts';
export { FINISHES, finishOf, type Finish } from './build/finishes.ts';
export { GLUES, glueOf } from './build/glues.ts';
export { type GlueId } from './model/build-choices.ts';
export type { SheetsToSaw } from './build/job.ts';
export { brokenPrecedence, moveStep, wantedAfter, type MovedStep as MovedStep } from './build/order.ts';
export { minutesWithin, scheduleOf, type Shortage, type Schedule, type Scheduled } from './build/schedule.ts';
export { type Closing, type Precedence as StepEdge, type Step, type StepDetail } from './build/step.ts';
export { waitLeft, waitMin } from './build/waiting.ts';
export { freeFrom, tasksOf, type Task } from './build/tasks.ts';
export { planBuild } from './journal/build-job.ts';
export { doneSteps, doneTimes, nextStep, type DoneSteps } from './journal/done-steps.ts';
export {
  SHEET_PLACES,
  STEP_KINDS,
  type AsCut,
  type DoneStep,
  type EntryOf,
  type MeasuredOpening,
  type MeasuredSlot,
  type NewFact,
  type RecordEntry,
  type RecordKind,
  type SawnCuts,
  type SheetPlace,
  type ShopNote,
  type StepKind,
  type TestCut,
  type ThicknessReading,
  type WallScan,
} from './model/record.ts';
export { plannedFor, shopFacts, type ShopFacts } from './model/shop-facts.ts';
export { faultWords, fullTitle, glueWayWords, reasonWords, stepWords } from './formats/build-words.ts';
export { marksOf, temperature, type BuildSummary, type StepWords } from './formats/step-texts.ts';
export { buildSummary } from './formats/build-summary.ts';
export { minutesText } from './checks/words/amounts.ts';
export { clockText } from './formats/build-codec.ts';
export { scheduleIcs, stretches } from './formats/schedule-ics.ts';
export { logCsv } from './formats/log-csv.ts';
export { findInLog, logLines, type LogLine } from './formats/log-words.ts';
export { learningsOf, type Learnings } from './journal/learnings.ts';
export { builtSizes, type BuiltSizes } from './journal/built-size.ts';
export { lessonsOf, SAVED, type Lesson } from './journal/lessons.ts';
export { lessonWords } from './formats/lesson-words.ts';
export { changeWords, type Change } from './formats/change-words.ts';
export { joinedTo } from './planner/joined-to.ts';
