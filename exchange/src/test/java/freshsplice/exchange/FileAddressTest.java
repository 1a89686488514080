package freshsplice.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import freshsplice.exchange.format.FileAddress;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FileAddressTest {
    /** RFC 8089, The file URI scheme; percent-codes after RFC 3986. */
    @ParameterizedTest
    @CsvSource({"file:///cut/a%20b.mov,/cut/a b.mov", "file://localhost/cut/%C3%A9.png,/cut/é.png",
        "file:///C:/cut/a.mov,C:/cut/a.mov", "/plain/100%.mov,/plain/100%.mov", "file:///half%2,/half%2",
        "http://x/a%20b,http://x/a b", "file://server/share/a.mov,//server/share/a.mov"})
    void becomesAPlainPath(String address, String path) {
        assertThat(FileAddress.plain(address)).isEqualTo(path);
    }
}
