<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format;

interface RecognisesItself
{
    /** @param  string  $beginning the first few kilobytes of a file, in UTF-8 */
    public function recognises(string $beginning): bool;
}
