package freshsplice.server.steps;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.springframework.dao.CannotAcquireLockException;
import org.springframework.dao.DataIntegrityViolationException;

class TriedAgainTest {
    @Test
    @DisplayName("what met another transaction is tried again, and handed on only when it meets one again and again")
    void again() {
        AtomicInteger tries = new AtomicInteger();
        assertThat(TriedAgain.onConflict(() -> {
            if (tries.incrementAndGet() < 3) {
                throw new CannotAcquireLockException("deadlock");
            }
            return "done";
        })).isEqualTo("done");
        assertThat(tries).hasValue(3);
        assertThatThrownBy(() -> TriedAgain.onConflict(() -> {
            throw new CannotAcquireLockException("for ever");
        })).hasMessage("for ever");
    }

    @Test
    @DisplayName("anything else is told at once")
    void others() {
        AtomicInteger tries = new AtomicInteger();
        assertThatThrownBy(() -> TriedAgain.onConflict(() -> {
            tries.incrementAndGet();
            throw new DataIntegrityViolationException("too long");
        })).hasMessage("too long");
        assertThat(tries).hasValue(1);
    }
}
