package freshsplice.server;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import org.junit.jupiter.api.parallel.ResourceLock;

/**
 * Tests of servers in processes of their own, which wait for what was killed half of the time: run beside all others, which share one
 * server, and one class after another.
 */
@Execution(ExecutionMode.CONCURRENT)
@ResourceLock("processes")
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.TYPE)
@interface OnItsOwn {
}
