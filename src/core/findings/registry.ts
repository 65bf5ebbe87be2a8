import type { Rule } from "./finding";
import { addedParts } from "./rules/addedParts";
import { overBrief, planBroken } from "./rules/briefBudget";
import { busesOnOneController } from "./rules/busesOnOneController";
import { displaysOnOneBus } from "./rules/displaysOnOneBus";
import { tooManyDisplays } from "./rules/tooManyDisplays";
import { reversedDiode, unsafeChord } from "./rules/chords";
import { ladderWindows } from "./rules/ladderWindows";
import { lightLevel } from "./rules/lightLevel";
import { sameAddress } from "./rules/sameAddress";
import { supplyLoss } from "./rules/supplyLoss";
import { classSense } from "./rules/classSense";
import { danglingKeymap } from "./rules/danglingKeymap";
import { axisEnds } from "./rules/axisEnds";
import { axisNoise } from "./rules/axisNoise";
import { axisDeadZone } from "./rules/axisDeadZone";
import { idleAxis } from "./rules/idleAxis";
import { notes } from "./rules/notes";
import { displays } from "./rules/displays";
import { padPortRead } from "./rules/padPortRead";
import { socketCurrent } from "./rules/socketCurrent";
import { radioPacket } from "./rules/radioPacket";
import { segments } from "./rules/segments";
import { padButtons } from "./rules/padButtons";
import { startUpScreen } from "./rules/startUpScreen";
import { oneTone } from "./rules/oneTone";
import { darkLights } from "./rules/darkLights";
import { endpoints } from "./rules/endpoints";
import { interfaceTwice } from "./rules/interfaceTwice";
import { links } from "./rules/links";
import { linkPlug } from "./rules/linkPlug";
import { liveParts } from "./rules/liveParts";
import { devicesApart } from "./rules/devicesApart";
import { linkVolts } from "./rules/linkVolts";
import { moduleClock } from "./rules/moduleClock";
import { moduleFrames } from "./rules/moduleFrames";
import { unlinked } from "./rules/unlinked";
import { samePlace } from "./rules/samePlace";
import { stalePins } from "./rules/stalePins";
import { startUpPin } from "./rules/startUpPin";
import { wrongMember } from "./rules/wrongMember";
import { wrongPart } from "./rules/wrongPart";
import { allPinsCurrent } from "./rules/allPinsCurrent";
import { ladderCurrent } from "./rules/ladderCurrent";
import { lampCurrent } from "./rules/lampCurrent";
import { railWithoutSource } from "./rules/railWithoutSource";
import { registerCurrent } from "./rules/registerCurrent";
import { asleepCurrent } from "./rules/asleepCurrent";
import { currentLimit } from "./rules/currentLimit";
import { blindKnob } from "./rules/blindKnob";
import { lateScan } from "./rules/lateScan";
import { leverTravel } from "./rules/leverTravel";
import { sourceResistance } from "./rules/sourceResistance";
import { busPullUps } from "./rules/busPullUps";
import { addressClash } from "./rules/addressClash";
import { serialModes } from "./rules/serialModes";
import { floatingSelect } from "./rules/floatingSelect";
import { lampBranch } from "./rules/lampBranch";
import { supplyVoltage } from "./rules/supplyVoltage";
import { supplyHeat } from "./rules/supplyHeat";
import { duplicateCell } from "./rules/duplicateCell";
import { boardsOverlap } from "./rules/boardsOverlap";
import { edgeCrossesItself } from "./rules/edgeCrossesItself";
import { moduleOutside } from "./rules/moduleOutside";
import { openingAtEdge } from "./rules/openingAtEdge";
import { fastEncoder } from "./rules/fastEncoder";
import { interpretedEncoder } from "./rules/interpretedEncoder";
import { firmwareLimits } from "./rules/firmwareLimits";
import { tablesTooLarge } from "./rules/tablesTooLarge";
import { loneKey } from "./rules/loneKey";
import { missingInterface } from "./rules/missingInterface";
import { moduleOverlap } from "./rules/moduleOverlap";
import { noController } from "./rules/noController";
import { noDiode } from "./rules/noDiode";
import { noWayBack } from "./rules/noWayBack";
import { overlap } from "./rules/overlap";
import { busSplit } from "./rules/busSplit";
import { pinConflict } from "./rules/pinConflict";
import { incapablePin } from "./rules/incapablePin";
import { reservedPin } from "./rules/reservedPin";
import { sharedPin } from "./rules/sharedPin";
import { fitsNowhere } from "./rules/fitsNowhere";
import { plateBends } from "./rules/plateBends";
import { noStabiliser } from "./rules/noStabiliser";
import { openingsMeet } from "./rules/openingsMeet";
import { plateThickness } from "./rules/plateThickness";
import { stabiliserRoom } from "./rules/stabiliserRoom";
import { thinWall } from "./rules/thinWall";
import { mirroredPart } from "./rules/mirroredPart";
import { oscillatorNearLight } from "./rules/oscillatorNearLight";
import { readsBackwards } from "./rules/mirroredDrawing";
import { standoffThroughModule } from "./rules/standoffThroughModule";
import { caseFits } from "./rules/caseFits";
import { openTasks } from "./rules/openTasks";
import { stepsLoop } from "./rules/stepsLoop";
import { coveredSwitches } from "./rules/coveredSwitches";
import { handRoom } from "./rules/handRoom";
import { keepOut } from "./rules/keepOut";
import { loosePosts } from "./rules/loosePosts";
import { outsideOutline } from "./rules/outsideOutline";
import { plugRoom } from "./rules/plugRoom";
import { sampledEncoder } from "./rules/sampledEncoder";
import { lowLevel } from "./rules/lowLevel";
import { settleTime } from "./rules/settleTime";
import { slowLadder } from "./rules/slowLadder";
import { sameLabel } from "./rules/sameLabel";
import { tooClose } from "./rules/tooClose";
import { tooFewPins } from "./rules/tooFewPins";
import { heldOwnKey } from "./rules/heldOwnKey";
import { lateTap } from "./rules/lateTap";
import { togetherInWords } from "./rules/togetherInWords";
import { boundTwice } from "./rules/boundTwice";
import { openOpposites } from "./rules/openOpposites";
import { untypedText } from "./rules/untypedText";
import { macroLeavesDown } from "./rules/macroLeavesDown";
import { unbound } from "./rules/unbound";
import { unplacedNets } from "./rules/unplacedNets";
import { unreachableLayer } from "./rules/unreachableLayer";
import { unwired } from "./rules/unwired";
import { wishUnmet } from "./rules/wishUnmet";
import { wiredTwice } from "./rules/wiredTwice";

/** Every rule, one line each, in the order in which findings of the same weight are told. */
export const rules: Rule[] = [
  overlap,
  moduleOverlap,
  openingsMeet,
  keepOut,
  stabiliserRoom,
  plugRoom,
  outsideOutline,
  tooClose,
  thinWall,
  handRoom,
  noStabiliser,
  plateThickness,
  plateBends,
  coveredSwitches,
  standoffThroughModule,
  loosePosts,
  mirroredPart,
  readsBackwards,
  oscillatorNearLight,
  fitsNowhere,
  edgeCrossesItself,
  openingAtEdge,
  boardsOverlap,
  moduleOutside,
  wrongPart,
  wrongMember,
  unwired,
  wiredTwice,
  duplicateCell,
  samePlace,
  reversedDiode,
  unsafeChord,
  noDiode,
  loneKey,
  lowLevel,
  settleTime,
  slowLadder,
  ladderWindows,
  ladderCurrent,
  sameAddress,
  tooManyDisplays,
  displaysOnOneBus,
  oneTone,
  railWithoutSource,
  lightLevel,
  registerCurrent,
  currentLimit,
  supplyVoltage,
  supplyHeat,
  supplyLoss,
  lampBranch,
  busPullUps,
  floatingSelect,
  addressClash,
  serialModes,
  blindKnob,
  lateScan,
  leverTravel,
  sourceResistance,
  asleepCurrent,
  addedParts,
  sampledEncoder,
  fastEncoder,
  interpretedEncoder,
  links,
  linkPlug,
  unlinked,
  devicesApart,
  linkVolts,
  moduleFrames,
  moduleClock,
  liveParts,
  noController,
  classSense,
  tooFewPins,
  pinConflict,
  unplacedNets,
  reservedPin,
  incapablePin,
  sharedPin,
  busSplit,
  busesOnOneController,
  stalePins,
  startUpPin,
  lampCurrent,
  allPinsCurrent,
  interfaceTwice,
  missingInterface,
  unreachableLayer,
  noWayBack,
  danglingKeymap,
  darkLights,
  endpoints,
  notes,
  displays,
  segments,
  radioPacket,
  padPortRead,
  socketCurrent,
  padButtons,
  startUpScreen,
  idleAxis,
  axisDeadZone,
  axisNoise,
  axisEnds,
  unbound,
  heldOwnKey,
  lateTap,
  togetherInWords,
  boundTwice,
  openOpposites,
  untypedText,
  macroLeavesDown,
  sameLabel,
  firmwareLimits,
  tablesTooLarge,
  stepsLoop,
  openTasks,
  caseFits,
  planBroken,
  wishUnmet,
  overBrief,
];
