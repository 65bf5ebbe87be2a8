import { expose } from "comlink";
import { planningTasks } from "./planningTasks";

expose(planningTasks);
