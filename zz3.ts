import { supplyView } from "@/core/power/supplyView";
import { demos } from "@/core/demos";
import { everything } from "./tests/support/everyCircuit";
