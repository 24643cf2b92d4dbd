<?php

declare(strict_types=1);

namespace App\Queries\Coding\Table;

use App\Models\CodebookItem;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\CodeType;

/**
 * Which studies a table of codings shows, by one item: how far its answer has come, or what it says. Of options the
 * narrower ones belong to the broader; numbers are taken between bounds (“20..60”), texts by words in them.
 */
final readonly class ItemFilter
{
    /** What may be asked of any item, with its words. */
    public const STANDINGS = [
        '~answered' => 'has an answer',
        '~open' => 'has no answer',
        '~lead' => 'has a lead that waits',
        '~not-reported' => 'is not reported',
        '~not-applicable' => 'does not apply',
        '~bare' => 'has an answer without evidence',
        '~differs' => 'is answered differently by two coders',
    ];

    public function __construct(public CodebookItem $code, public string $asks)
    {
    }

    /**
     * Those that an address or a definition asks for; what names nothing that there is, is left out.
     *
     * @param  Collection<string, CodebookItem>  $codes  by id
     * @param  list<string>  $keys
     * @return list<self>
     */
    public static function all(Collection $codes, array $keys): array
    {
        $filters = [];
        foreach ($keys as $key) {
            [$id, $asks] = [...explode(':', $key, 2), ''];
            $code = $codes->get($id);
            if ($code !== null && $asks !== '' && ($asks[0] !== '~' || isset(self::STANDINGS[$asks]))) {
                $filters[] = new self($code, $asks);
            }
        }

        return $filters;
    }

    /** As it is written in an address. */
    public function key(): string
    {
        return "{$this->code->id}:{$this->asks}";
    }

    public function words(): string
    {
        $asks = self::STANDINGS[$this->asks] ?? match (true) {
            $this->bounds() !== null => "is {$this->asks}",
            $this->code->code()->choosable() === [] => "contains “{$this->asks}”",
            default => "is {$this->asks}",
        };

        return "{$this->code->label} {$asks}";
    }

    private function ofKind(string $kind): Builder
    {
        return $this->standing()->where('kind', $kind);
    }

    /** @param  Builder  $studies  over publications */
    public function narrow(Builder $studies): void
    {
        match ($this->asks) {
            '~open' => $studies->whereNotExists($this->standing()),
            '~answered' => $studies->whereExists($this->standing()),
            '~not-reported', '~not-applicable' => $studies->whereExists($this->ofKind(substr($this->asks, 1))),
            '~bare' => $studies->whereExists(
                $this->ofKind('value')->where('from_whole', false)->whereRaw("evidence = '[]'"),
            ),
            '~lead' => $studies->whereExists($this->of('leads')->where('ruling', 'waiting')),
            '~differs' => $studies->whereNotExists($this->standing())->whereExists($this->differing()),
            default => $studies->whereExists($this->saying()),
        };
    }

    private function differing(): Builder
    {
        return $this->of('answers')
            ->where('hand', '<>', '')
            ->whereNull('superseded_at')
            ->whereRaw("(value IS NOT NULL OR kind <> 'value')")
            ->groupBy('part_id')
            ->havingRaw('count(DISTINCT (kind, value)) > 1')
            ->selectRaw('1');
    }

    private function saying(): Builder
    {
        $bounds = $this->bounds();
        if ($bounds !== null) {
            return $this->standing()->whereRaw(
                "EXISTS (SELECT FROM jsonb_path_query(value, 'lax $[*]') AS said WHERE jsonb_typeof(said) = 'number'
                    AND said >= to_jsonb(?::numeric) AND said <= to_jsonb(?::numeric))",
                [$bounds->low, $bounds->high],
            );
        }

        return $this->code->code()->choosable() === []
            ? $this->standing()->whereRaw("value #>> '{}' ILIKE ?", ['%'.addcslashes($this->asks, '%_\\').'%'])
            : $this->standing()->whereRaw(
                "EXISTS (SELECT FROM jsonb_array_elements_text(
                    CASE jsonb_typeof(value) WHEN 'array' THEN value ELSE jsonb_build_array(value) END
                ) AS said WHERE said = ? OR starts_with(said, ?))",
                [$this->asks, "{$this->asks} › "],
            );
    }

    private function bounds(): ?NumberBounds
    {
        $number = '(-?\d{1,15}(?:\.\d{1,15})?)';
        if ($this->code->type !== CodeType::Number) {
            return null;
        }
        if (preg_match("/^{$number}?\s*(?:\.\.|–)\s*{$number}?$/u", $this->asks, $part, PREG_UNMATCHED_AS_NULL) === 1) {
            return new NumberBounds($part[1] ?? '-1e300', $part[2] ?? '1e300');
        }

        return preg_match("/^{$number}$/", $this->asks) === 1 ? new NumberBounds($this->asks, $this->asks) : null;
    }

    private function standing(): Builder
    {
        return $this->of('standing_answers');
    }

    private function of(string $table): Builder
    {
        return DB::table("{$table} AS of_item")
            ->whereColumn('of_item.review_id', 'publications.review_id')
            ->whereColumn('of_item.publication_id', 'publications.id')
            ->where('of_item.code_id', $this->code->id);
    }
}
