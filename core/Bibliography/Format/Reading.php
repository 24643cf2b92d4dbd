<?php

declare(strict_types=1);

namespace WaryHeron\Core\Bibliography\Format;

/** What is asked of, and found out by, the reading of one file. */
final class Reading
{
    /** The encoding the file turned out to be in; US-ASCII as long as nothing said otherwise. */
    public string $found = 'US-ASCII';

    /** Lines whose letters had been encoded twice, and were mended. */
    public int $mended = 0;

    /** @param  ?string  $encoding  one of TextEncoding::KNOWN, or null to find out */
    public function __construct(public readonly ?string $encoding = null)
    {
    }

    /** What a person should know of how the text was read; empty where there is nothing to say. */
    public function remarks(): string
    {
        $remarks = [];
        if (! in_array($this->found, ['US-ASCII', 'UTF-8'], true)) {
            $remarks[] = "The text was read as {$this->found}.";
        }
        if ($this->mended > 0) {
            $remarks[] =
                'Letters that had been encoded twice were mended in '.
                number_format($this->mended).
                ($this->mended === 1 ? ' line.' : ' lines.');
        }

        return implode(' ', $remarks);
    }
}
