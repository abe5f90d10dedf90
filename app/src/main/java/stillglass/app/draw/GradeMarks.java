package stillglass.app.draw;

import javafx.scene.layout.HBox;
import javafx.scene.shape.Rectangle;
import stillglass.app.theme.Words;

/// A grade 0 to 4 as four steps of rising height, filled up to the grade; a figure stands beside it, so colour is not alone.
public final class GradeMarks extends HBox {
    /// @param grade 0 to 4
    public GradeMarks(int grade) {
        getStyleClass().addAll("grade-marks", grade >= 3 ? "grade-high" : grade == 2 ? "grade-middle" : "grade-low");
        setSpacing(3);
        setAlignment(javafx.geometry.Pos.BOTTOM_LEFT);
        for (int i = 1; i <= 4; i++) {
            Rectangle step = new Rectangle(9, 5 + 4.5 * i);
            step.getStyleClass().add(i <= grade ? "grade-on" : "grade-off");
            getChildren().add(step);
        }
        setAccessibleText(Words.of("grade.marks", grade));
        setMaxHeight(24);
    }
}
