package freshsplice.server.steps;

/** Looks at what is left after a step was taken back or done again by itself, before it is committed. */
public interface StepCheck {
    /** @throws freshsplice.core.refusal.Refusal if what is left cannot be; the message says where and why */
    void afterTurn(long projectId, long stepId);
}
