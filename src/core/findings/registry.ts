import type { Rule } from "./finding";
import { duplicateCell } from "./rules/duplicateCell";
import { encoderOffInterrupt } from "./rules/encoderOffInterrupt";
import { firmwareLimits } from "./rules/firmwareLimits";
import { lampCurrent } from "./rules/lampCurrent";
import { loneKey } from "./rules/loneKey";
import { missingInterface } from "./rules/missingInterface";
import { moduleOverlap } from "./rules/moduleOverlap";
import { noController } from "./rules/noController";
import { noDiode } from "./rules/noDiode";
import { noWayBack } from "./rules/noWayBack";
import { overlap } from "./rules/overlap";
import { incapablePin, reservedPin, sharedPin } from "./rules/pinMisuse";
import { sameLabel } from "./rules/sameLabel";
import { tooClose } from "./rules/tooClose";
import { tooFewPins } from "./rules/tooFewPins";
import { unbound } from "./rules/unbound";
import { unplacedNets } from "./rules/unplacedNets";
import { unreachableLayer } from "./rules/unreachableLayer";
import { unwired } from "./rules/unwired";
import { wiredTwice } from "./rules/wiredTwice";

/** Every rule, one line each, in the order in which findings of the same weight are told. */
export const rules: Rule[] = [
  overlap,
  moduleOverlap,
  tooClose,
  unwired,
  wiredTwice,
  duplicateCell,
  noDiode,
  loneKey,
  noController,
  tooFewPins,
  unplacedNets,
  reservedPin,
  incapablePin,
  sharedPin,
  encoderOffInterrupt,
  lampCurrent,
  missingInterface,
  unreachableLayer,
  noWayBack,
  unbound,
  sameLabel,
  firmwareLimits,
];
