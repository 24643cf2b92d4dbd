<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Check;

/** What a careful colleague would say of a strategy. */
final readonly class Finding
{
    private const LONGEST_KEY = 400;

    public string $key;

    /**
     * @param  string  $key  the same for the same remark, so that one can be dismissed
     * @param  string  $kind  in few words
     * @param  ?Gain  $gain  what it would bring; one that would bring nothing is none
     */
    public function __construct(
        string $key,
        public string $kind,
        public string $text,
        public ?string $line,
        public ?Remedy $remedy = null,
        public ?Gain $gain = null,
    ) {
        $this->key = mb_substr($key, 0, self::LONGEST_KEY);
    }
}
