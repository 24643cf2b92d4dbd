<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format;

use WaryHeron\Core\Bibliography\Reference;

interface ReferenceReader
{
    /** The largest text of one record, in bytes; what is beyond it is passed over and reported. */
    public const LARGEST_RECORD = 2_097_152;

    /**
     * @param  resource  $stream
     * @return iterable<Reference|UnreadableRecord> In file order, read no further than asked; a bad record does not end
     *     the file.
     *
     * @throws UnusableFile If the text is not of this format at all.
     */
    public function read($stream, Reading $reading = new Reading()): iterable;
}
