<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format;

use WaryHeron\Core\Bibliography\Reference;

interface ReferenceWriter
{
    /**
     * @param  iterable<Reference>  $references
     * @return iterable<string> pieces of the file, in order
     */
    public function write(iterable $references): iterable;

    public function extension(): string;

    public function mediaType(): string;
}
