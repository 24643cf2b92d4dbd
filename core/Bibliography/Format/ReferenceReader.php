<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format;

use WaryHeron\Core\Bibliography\Reference;

interface ReferenceReader
{
    /**
     * @param  resource  $stream
     * @return iterable<Reference|UnreadableRecord> In file order, read no further than asked; a bad record does not end the file.
     *
     * @throws UnusableFile If the text is not of this format at all.
     */
    public function read($stream): iterable;
}
