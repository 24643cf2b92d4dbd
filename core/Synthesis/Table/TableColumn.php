<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Table;

/** A column of a table of studies: an item of the codebook, an outcome, or a theme. */
final readonly class TableColumn
{
    public const ITEM = 'item';

    public const OUTCOME = 'outcome';

    public const THEME = 'theme';

    public const KINDS = [self::ITEM, self::OUTCOME, self::THEME];

    public function __construct(public string $kind, public string $id)
    {
    }

    /** @return ?self null for what is no key of a column, such as “item:01H…” */
    public static function of(string $key): ?self
    {
        [$kind, $id] = [...explode(':', $key, 2), ''];

        return in_array($kind, self::KINDS, true) && $id !== '' && strlen($id) <= 40 ? new self($kind, $id) : null;
    }

    public function key(): string
    {
        return "{$this->kind}:{$this->id}";
    }
}
