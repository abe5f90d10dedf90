package stillglass.app.axis;

/// Where things go on the Axis: scale in pixels per millimetre, where the first vertex stands, the height of the axis, and
/// where the columns of labels and references begin.
record AxisFrame(double scale, double zeroX, double axisY, double labelRight, double referenceLeft) {
    double x(double mm) {
        return zeroX + mm * scale;
    }

    double y(double mm) {
        return axisY - mm * scale;
    }

    double xMm(double x) {
        return (x - zeroX) / scale;
    }

    double yMm(double y) {
        return (axisY - y) / scale;
    }
}
