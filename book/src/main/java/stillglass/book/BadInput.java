package stillglass.book;

/// Something from outside cannot be used. The message is for people: file, field, what is wrong, what to do.
public final class BadInput extends RuntimeException {
    private final String file;
    private final String field;

    /// @param file name of the file, without its folder
    /// @param field pointer into it, or what was being read
    /// @param what what is wrong and what to do, without a full stop
    public BadInput(String file, String field, String what) {
        super(OneLine.of(file + ": " + field + ": " + what));
        this.file = OneLine.of(file);
        this.field = OneLine.of(field);
    }

    /// @param cause what was thrown, for the log
    public BadInput(String file, String field, String what, Throwable cause) {
        this(file, field, what);
        initCause(cause);
    }

    public String file() {
        return file;
    }

    public String field() {
        return field;
    }
}
