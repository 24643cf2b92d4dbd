<?php

declare(strict_types=1);

namespace App\Files\In;

/** A text as a stream, for readers that take streams. */
final class TextStream
{
    /** @return resource at its beginning; closed when it is no longer held */
    public static function of(string $text)
    {
        $stream = fopen('php://temp', 'w+b') ?: throw new \RuntimeException('No memory for a text.');
        fwrite($stream, $text);
        rewind($stream);

        return $stream;
    }
}
