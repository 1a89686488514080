package freshsplice.server.refusals;

import freshsplice.core.refusal.Refusal;

/** What was asked for cannot be done: the message says why and what to do, in a sentence for people. */
public class Refused extends Refusal {
    private static final long serialVersionUID = 1L;

    public Refused(String message) {
        super(message);
    }
}
