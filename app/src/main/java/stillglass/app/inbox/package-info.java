/// New pictures from the watched folder, each offered to what was in hand when it was taken. Start at [Inbox]; [OfferBar] shows one at a time.
@NullMarked
package stillglass.app.inbox;

import org.jspecify.annotations.NullMarked;
