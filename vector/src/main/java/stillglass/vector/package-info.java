/// Several rays at once, with the vector operations of the Java machine.
@org.jspecify.annotations.NullMarked
package stillglass.vector;
