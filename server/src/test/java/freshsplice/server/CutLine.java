package freshsplice.server;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;

/** A line to a port of this machine that can be cut, in the middle of whatever is being said. */
final class CutLine implements AutoCloseable {
    private final ServerSocket here;
    private final int port;
    private final Set<Socket> open = ConcurrentHashMap.newKeySet();
    private final AtomicLong sent = new AtomicLong();
    private volatile boolean cut;

    CutLine(int port) throws IOException {
        this.port = port;
        here = new ServerSocket(0, 50, InetAddress.getLoopbackAddress());
        daemon(this::accept);
    }

    String address() {
        return "http://127.0.0.1:" + here.getLocalPort();
    }

    private static void daemon(Runnable run) {
        Thread thread = new Thread(run, "line");
        thread.setDaemon(true);
        thread.start();
    }

    private void accept() {
        try {
            while (true) {
                Socket near = here.accept();
                if (cut) {
                    near.close();
                    continue;
                }
                Socket far = new Socket(InetAddress.getLoopbackAddress(), port);
                open.add(near);
                open.add(far);
                daemon(() -> carry(near, far, sent));
                daemon(() -> carry(far, near, new AtomicLong()));
            }
        } catch (IOException e) {
            // closed
        }
    }

    private static void carry(Socket from, Socket to, AtomicLong count) {
        try {
            byte[] some = new byte[8192];
            for (int read = from.getInputStream().read(some); read >= 0; read = from.getInputStream().read(some)) {
                to.getOutputStream().write(some, 0, read);
                count.addAndGet(read);
            }
        } catch (IOException e) {
            // cut
        }
    }

    /** Cuts it a little after it begins to carry more. */
    void cutWhileSomethingIsSent() throws Exception {
        long before = sent.get();
        while (sent.get() < before + 20_000) {
            Thread.sleep(1);
        }
        cut = true;
        for (Socket socket : open) {
            socket.close();
        }
        open.clear();
    }

    void mend() {
        cut = false;
    }

    @Override
    public void close() throws IOException {
        here.close();
    }
}
