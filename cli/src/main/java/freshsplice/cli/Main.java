package freshsplice.cli;

import freshsplice.exchange.format.UnreadableFile;
import java.io.BufferedOutputStream;
import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;

/** Entry of the command line. */
public final class Main {
    static final int DONE = 0;
    static final int UNREADABLE = 1;
    static final int WRONG_USE = 2;

    private Main() {
    }

    public static void main(String[] args) {
        try (OutputStream out = new BufferedOutputStream(new FileOutputStream(FileDescriptor.out), 1 << 16)) {
            int code = run(Arrays.asList(args), out, new PrintStream(new FileOutputStream(FileDescriptor.err), true,
                    StandardCharsets.UTF_8));
            out.flush();
            System.exit(code);
        } catch (IOException e) {
            System.exit(UNREADABLE);
        }
    }

    /** Runs one command. @return the exit code */
    static int run(List<String> args, OutputStream out, PrintStream err) throws IOException {
        try {
            Arguments arguments = Arguments.parse(args);
            switch (arguments.command()) {
                case "read" -> ReadCommand.run(arguments, out);
                case "changes" -> ChangesCommand.run(arguments, out);
                case "convert" -> ConvertCommand.run(arguments, out);
                case "conform" -> ConformCommand.run(arguments, out);
                default -> throw new WrongUse("There is no command \"" + arguments.command() + "\": choose read, "
                        + "changes, convert or conform");
            }
            return DONE;
        } catch (WrongUse e) {
            err.println(oneLine(e.getMessage()));
            return WRONG_USE;
        } catch (UnreadableFile e) {
            err.println(oneLine(e.getMessage()));
            return UNREADABLE;
        } catch (ArithmeticException e) {
            err.println("A number in the file is too large to count frames with");
            return UNREADABLE;
        } catch (OutOfMemoryError e) {
            err.println("The file needs more memory than there is: split it, or give Java more (-Xmx)");
            return UNREADABLE;
        }
    }

    private static String oneLine(String message) {
        return message == null ? "It failed" : message.replaceAll("\\p{Cntrl}+", " ");
    }
}
