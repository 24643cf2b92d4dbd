<?php

declare(strict_types=1);

namespace App\Queries\Library\Filter;

use App\Queries\Shared\Asked;
use Illuminate\Database\Query\Builder;

/** The type or the language, as the publication has it. */
final readonly class ValueFilter implements Filter
{
    private const FIELDS = ['type' => 'of the type', 'language' => 'in'];

    /** @param  key-of<self::FIELDS>  $field */
    private function __construct(private string $field, private string $value)
    {
    }

    public static function from(Asked $asked, Place $place): array
    {
        $filters = [];
        foreach (array_keys(self::FIELDS) as $field) {
            $value = $asked->text($field, 80);
            if ($value !== '') {
                $filters[] = new self($field, $value);
            }
        }

        return $filters;
    }

    public function key(): string
    {
        return $this->field;
    }

    public function words(): string
    {
        return self::FIELDS[$this->field]." {$this->value}";
    }

    public function apply(Builder $publications): void
    {
        $publications->where("publications.{$this->field}", $this->value);
    }
}
