import { expose } from "comlink";
import { planningTasks } from "./planningTasks";
import { bringAllLanguages } from "@/core/languages/allLanguages";

bringAllLanguages();

expose(planningTasks);
