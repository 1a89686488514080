package freshsplice.server.http;

import freshsplice.core.refusal.Refusal;
import freshsplice.exchange.format.UnreadableFile;
import freshsplice.render.CannotDraw;
import freshsplice.server.refusals.NotThere;
import freshsplice.server.refusals.ToBeConfirmed;
import jakarta.persistence.OptimisticLockException;
import jakarta.persistence.PersistenceException;
import java.io.IOException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.transaction.TransactionException;
import org.springframework.web.HttpMediaTypeNotSupportedException;
import org.springframework.web.HttpRequestMethodNotSupportedException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.async.AsyncRequestNotUsableException;
import org.springframework.web.context.request.async.AsyncRequestTimeoutException;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.servlet.resource.NoResourceFoundException;

/** Errors as sentences. */
@RestControllerAdvice
public class Errors {
    /** @param message what, where and what to do next */
    public record Message(String message) {
    }

    /** @param message what else it would do @param confirm always true: asked for again with {@code X-Confirmed: 1} it is done */
    public record Question(String message, boolean confirm) {
    }

    private static final Logger LOG = LoggerFactory.getLogger(Errors.class);

    @ExceptionHandler({NotThere.class, NoResourceFoundException.class})
    ResponseEntity<Message> notThere(Exception e) {
        return say(HttpStatus.NOT_FOUND, e instanceof NotThere ? e.getMessage() : "There is nothing at this address");
    }

    @ExceptionHandler({Refusal.class, UnreadableFile.class})
    ResponseEntity<Message> refused(RuntimeException e) {
        return say(HttpStatus.UNPROCESSABLE_ENTITY, e.getMessage());
    }

    @ExceptionHandler(ToBeConfirmed.class)
    ResponseEntity<Question> toBeConfirmed(ToBeConfirmed e) {
        return ResponseEntity.status(HttpStatus.CONFLICT).body(new Question(e.getMessage(), true));
    }

    @ExceptionHandler(ArithmeticException.class)
    ResponseEntity<Message> uncountable(ArithmeticException e) {
        LOG.info("Not to be counted", e);
        return say(HttpStatus.UNPROCESSABLE_ENTITY, "One of the numbers is too large to be counted exactly; nothing was "
                + "changed. Give a smaller one");
    }

    @ExceptionHandler(MethodArgumentNotValidException.class)
    ResponseEntity<Message> outOfBounds(MethodArgumentNotValidException e) {
        return say(HttpStatus.UNPROCESSABLE_ENTITY, e.getFieldErrors().stream().findFirst()
                .map(f -> sentence(f.getField(), f.getDefaultMessage())).orElse("A value is out of its bounds"));
    }

    /** What a field must be, after its name; a whole sentence stands for itself. */
    private static String sentence(String field, String words) {
        boolean whole = words.startsWith("\"") || Character.isUpperCase(words.charAt(0));
        return whole ? words : "\"" + field + "\" " + words;
    }

    @ExceptionHandler(HttpMediaTypeNotSupportedException.class)
    ResponseEntity<Message> otherType(HttpMediaTypeNotSupportedException e) {
        return say(HttpStatus.UNSUPPORTED_MEDIA_TYPE, "This address does not take " + e.getContentType()
                + ": send what is described, mostly application/json");
    }

    @ExceptionHandler(HttpRequestMethodNotSupportedException.class)
    ResponseEntity<Message> otherMethod(HttpRequestMethodNotSupportedException e) {
        return say(HttpStatus.METHOD_NOT_ALLOWED, "This address does not answer to " + e.getMethod());
    }

    @ExceptionHandler({OptimisticLockingFailureException.class, OptimisticLockException.class})
    ResponseEntity<Message> writtenMeanwhile(RuntimeException e) {
        LOG.info("Written by two at once", e);
        return say(HttpStatus.CONFLICT, "Somebody else changed the same at the same moment, so nothing of this was changed: "
                + "look at it again, then repeat it");
    }

    /** Bounds of tables are checked before, in words: one that is met here was forgotten. */
    @ExceptionHandler(DataIntegrityViolationException.class)
    ResponseEntity<Message> notHeld(DataIntegrityViolationException e) {
        LOG.error("A value that the tables do not hold was not checked before", e);
        return say(HttpStatus.UNPROCESSABLE_ENTITY, "A value is longer or larger than can be kept, or is there already; "
                + "nothing was changed. The server's log says which");
    }

    @ExceptionHandler({HttpMessageNotReadableException.class, MethodArgumentTypeMismatchException.class,
        MissingServletRequestParameterException.class})
    ResponseEntity<Message> malformed(Exception e) {
        for (Throwable cause = e.getCause(); cause != null; cause = cause.getCause()) {
            if (cause instanceof Refusal) {
                // a value that cannot be says so itself
                return say(HttpStatus.UNPROCESSABLE_ENTITY, cause.getMessage());
            }
        }
        return say(HttpStatus.BAD_REQUEST, "The request is not in the form that is described: " + firstLine(e));
    }

    @ExceptionHandler(MaxUploadSizeExceededException.class)
    ResponseEntity<Message> tooLarge(Exception e) {
        return say(HttpStatus.CONTENT_TOO_LARGE, "That is more than can be taken at once (2 GB): give it in parts");
    }

    @ExceptionHandler(CannotDraw.class)
    ResponseEntity<Message> cannotDraw(CannotDraw e) {
        return say(HttpStatus.SERVICE_UNAVAILABLE, e.getMessage());
    }

    @ExceptionHandler({DataAccessException.class, TransactionException.class, PersistenceException.class})
    ResponseEntity<Message> database(Exception e) {
        LOG.error("The database did not take it", e);
        return say(HttpStatus.SERVICE_UNAVAILABLE, "The database did not take it, so nothing was changed: try again "
                + "in a moment. One that ended by itself is being started again; the server's log says more");
    }

    @ExceptionHandler({AsyncRequestNotUsableException.class, AsyncRequestTimeoutException.class})
    void gone() {
        // the window was closed, or the server is stopping, while it was being answered
    }

    @ExceptionHandler(IOException.class)
    ResponseEntity<Message> io(IOException e) {
        boolean full = String.valueOf(e.getMessage()).contains("No space left");
        return say(full ? HttpStatus.INSUFFICIENT_STORAGE : HttpStatus.UNPROCESSABLE_ENTITY,
                full ? "The disk is full: free some space, then try again. Nothing was changed" : e.getMessage());
    }

    @ExceptionHandler(Exception.class)
    ResponseEntity<Message> other(Exception e) {
        LOG.error("Not foreseen", e);
        return say(HttpStatus.INTERNAL_SERVER_ERROR, "That failed in a way that was not foreseen; nothing was changed. "
                + "The server's log has the details");
    }

    private static ResponseEntity<Message> say(HttpStatus status, String message) {
        return ResponseEntity.status(status).body(new Message(message == null ? "It failed" : message));
    }

    private static String firstLine(Exception e) {
        return String.valueOf(e.getMessage()).lines().findFirst().orElse("");
    }
}
