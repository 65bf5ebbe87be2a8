export const root: string;
export function run(program: string, parameters: string[], settings?: object): void;
export function installPackages(): void;
export function buildApp(settings?: { force?: boolean }): Promise<void>;
export function buildServerTasks(): Promise<void>;
export function nextStart(port: number): string[];
