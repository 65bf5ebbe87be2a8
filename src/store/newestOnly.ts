/**
 * Asks for an answer to the newest question only: while one is being worked out, those in between are passed by.
 * What was known stays until the next answer is there.
 */
export class NewestOnly<Question, Answer> {
  private asked: Question | null = null;
  private waiting: Question | null = null;
  private isBusy = false;

  constructor(
    private readonly work: (question: Question) => Promise<Answer>,
    private readonly tell: (question: Question, answer: Answer) => void,
    private readonly fail: (question: Question, error: unknown) => void,
  ) {}

  /** Asking again for the same one costs nothing. */
  ask(question: Question): void {
    if (question === this.asked) return;
    this.asked = question;
    this.waiting = question;
    if (!this.isBusy) void this.goOn();
  }

  private async goOn(): Promise<void> {
    this.isBusy = true;
    while (this.waiting !== null) {
      const question = this.waiting;
      this.waiting = null;
      try {
        this.tell(question, await this.work(question));
      } catch (error) {
        this.fail(question, error);
      }
    }
    this.isBusy = false;
  }
}
