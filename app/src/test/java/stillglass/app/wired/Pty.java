package stillglass.app.wired;

import java.lang.foreign.Arena;
import java.lang.foreign.FunctionDescriptor;
import java.lang.foreign.Linker;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.lang.invoke.MethodHandle;
import java.nio.charset.StandardCharsets;

/// A pair of linked terminals: what is written to this end comes out of the port of the other.
public final class Pty implements AutoCloseable {
    private static final int READ_WRITE_NO_CONTROL = 0x102;
    private static final FunctionDescriptor INT_OF_INT = FunctionDescriptor.of(ValueLayout.JAVA_INT, ValueLayout.JAVA_INT);

    private final int end;
    private final String port;

    public Pty() throws Throwable {
        end = (int) call("posix_openpt", INT_OF_INT).invokeExact(READ_WRITE_NO_CONTROL);
        int granted = (int) call("grantpt", INT_OF_INT).invokeExact(end);
        int unlocked = (int) call("unlockpt", INT_OF_INT).invokeExact(end);
        MemorySegment name = (MemorySegment) call("ptsname", FunctionDescriptor.of(ValueLayout.ADDRESS, ValueLayout.JAVA_INT)).invokeExact(end);
        if (end < 0 || granted != 0 || unlocked != 0 || name.address() == 0) {
            throw new IllegalStateException("no pair of terminals");
        }
        port = name.reinterpret(64).getString(0);
    }

    private static MethodHandle call(String name, FunctionDescriptor how) {
        Linker linker = Linker.nativeLinker();
        return linker.downcallHandle(linker.defaultLookup().find(name).orElseThrow(), how);
    }

    /// Path of the other end.
    public String port() {
        return port;
    }

    public void send(String text) throws Throwable {
        byte[] bytes = text.getBytes(StandardCharsets.US_ASCII);
        try (Arena arena = Arena.ofConfined()) {
            MemorySegment at = arena.allocateFrom(ValueLayout.JAVA_BYTE, bytes);
            long written = (long) call("write", FunctionDescriptor.of(ValueLayout.JAVA_LONG, ValueLayout.JAVA_INT, ValueLayout.ADDRESS, ValueLayout.JAVA_LONG)).invokeExact(end, at, (long) bytes.length);
            if (written != bytes.length) {
                throw new IllegalStateException(written + " of " + bytes.length + " bytes went through");
            }
        }
    }

    /// Pulls the plug.
    @Override
    public void close() throws Exception {
        try {
            int closed = (int) call("close", INT_OF_INT).invokeExact(end);
            if (closed != 0) {
                throw new IllegalStateException("the terminal does not close");
            }
        } catch (Throwable e) {
            throw new IllegalStateException(e);
        }
    }
}
