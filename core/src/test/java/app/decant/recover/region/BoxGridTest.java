package app.decant.recover.region;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class BoxGridTest {
    /** The law: it says what asking each box would say, also of boxes off the page, without height, or as large as the page. */
    @Test void whatMeetsABoxIsFoundAsIfAllWereAsked() {
        Random random = new Random(5);
        for (int round = 0; round < 200; round++) {
            BoxGrid grid = new BoxGrid();
            List<Rectangle2D> all = new ArrayList<>();
            for (int i = random.nextInt(40); i > 0; i--) {
                all.add(box(random));
                grid.add(all.get(all.size() - 1));
            }
            for (int i = 0; i < 40; i++) {
                Rectangle2D asked = box(random);
                assertThat(grid.meets(asked)).as("%s among %s", asked, all).isEqualTo(all.stream().anyMatch(one -> one.intersects(asked)));
            }
        }
    }

    private static Rectangle2D box(Random random) {
        double most = random.nextInt(5) == 0 ? 900 : 30;
        return new Rectangle2D.Double(random.nextDouble() * 700 - 50, random.nextDouble() * 900 - 50, random.nextDouble() * most,
                random.nextInt(6) == 0 ? 0 : random.nextDouble() * most);
    }
}
