/** What the core finds, told: codes and values in, sentences in the person's units out. Another language is one more folder. */
export { changesText, wrongLandingText } from './english/change';
export { clashSideText, clashTitle } from './english/clash';
export { documentClashSide, documentClashTitle } from './english/document-clash';
export { recordedBypassText } from './english/bypass';
export { shutText } from './english/gate';
export { syncText, waitingTitle } from './english/sync';
export { discrepancyText } from './english/discrepancy';
export { methodCautions, methodTitle, partText, runMethodCautions, runMethodTitle } from './english/method';
export { failureText, faultClassText, remedyText, settledText } from './english/diagnosis';
export {
  SIGHT,
  choiceText,
  conductorAtText,
  itemText,
  meaningText,
  observationText,
  percentText,
  runningText,
  stepCaution,
  stepText,
} from './english/search';
export { fieldIn, fieldValueText, readValue, valueIn } from './field-units';
export { capital, inSentence } from './phrases';
export {
  OUTCOME,
  OUTDATED,
  broughtText,
  earlierIn,
  entryText,
  holderText,
  loadText,
  protectionText,
  testHow,
  testTitle,
  unsettledText,
  writtenByText,
} from './english/record';
export {
  PARALLEL_LABEL,
  SEASON_CAUTION,
  ZONE_LOSS,
  ZONE_OBSTACLE,
  seasonText,
  zoneWay,
} from './english/zones';
export {
  HALVES_CAUTIONS,
  HALVES_OBSTACLE,
  REGIONS,
  RUN_BEFORE_POWER,
  beginText,
  runLineText,
  runLineTitle,
  runReadingText,
  runWaysText,
} from './english/halves';
export { airText, reachText } from './english/link';
export {
  FAN_MOTORS,
  LEAK_CAUTIONS,
  LEAK_OBSTACLE,
  MOTOR_HINT,
  freeLeadsText,
  harnessText,
  leakSettingText,
  leakTestText,
  movedUpText,
  stayingText,
} from './english/leak';
export {
  airCaution,
  airChoices,
  airDrawing,
  airFitText,
  airTroubleText,
  bypassText,
  callingText,
  zoneText,
  zoneTitle,
} from './english/air';
export {
  ROOMS_CAUTION,
  dayTitle,
  drawnText,
  roomName,
  roomText,
  roomsDrawing,
  runsText,
  setText,
} from './english/rooms';
export { AIR_KIND, LOOK, airTexts, signText, walkText } from './english/building';
export {
  JACKET_BECAME,
  JACKET_DOES,
  PANEL_STEP,
  loopOhmsText,
  loopPointText,
  lostText,
  milliampsText,
  moveTexts,
  moveTitle,
  shortText,
  unwatchedTexts,
} from './english/fire';
export { expectedFigureText, figureText } from './english/reading';
export { reportPaper } from './english/report';
export { showDay, showTime } from './english/report/style';
export type { ReportStyle } from './english/report/style';
export { cableReadingLines, conductorStateText } from './english/cable';
export { otherEndText } from './english/end';
export { PAPER_CAUTION, landingsCsv } from './english/landings';
export { onwardText, stopText } from './english/path';
export { misuseText } from './english/misuse';
export { proofText } from './english/proof';
export { PROPERTY_WORDS } from './english/properties';
export type { Faces, Told } from './english/cause';
export { statusText } from './english/status';
export {
  UNSEEN,
  coveredText,
  floodedText,
  insertionPlace,
  insulatedText,
  opensText,
  placeReason,
  placeTitle,
  rowText,
  trippedText,
} from './english/safety';
export { caseText, situationText } from './english/situation';
export { QUESTION_WORDS, contradictionText, evidenceText } from './english/survey';
export {
  emptyReasonText,
  jumperReasonText,
  landingReasonText,
  lossText,
  obstacleText,
  setUpReasonText,
} from './english/swap';
export { endText, reasonText, sequenceText } from './english/timeline';
export {
  UNIT_BEFORE_POWER,
  UNIT_CAUTION,
  UNIT_VERDICT,
  capacitorText,
  differenceTitle,
  foundText,
  windingText,
  wireEnds,
  wireTitle,
} from './english/unit';
export { violationText } from './english/violation';
export { taskText } from './english/task';
export { namesIn } from './names';
export type { Names } from './names';
export * from './show';
export type { Units } from './units';
