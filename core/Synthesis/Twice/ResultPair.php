<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Twice;

/** What two coders took of one result; null where one took none. */
final readonly class ResultPair
{
    public function __construct(public ?CodedResult $one, public ?CodedResult $other)
    {
    }

    public function difference(): ResultDifference
    {
        return $this->one === null || $this->other === null
            ? ResultDifference::Missing
            : $this->one->differsFrom($this->other);
    }

    /** @return list<string> the fields whose numbers differ */
    public function fields(): array
    {
        return $this->one === null || $this->other === null ? [] : $this->one->fields($this->other);
    }

    /** @return list<string> the results, in an order that does not depend on whose is whose */
    public function ids(): array
    {
        $ids = array_values(array_filter([$this->one?->id, $this->other?->id], fn (?string $id): bool => $id !== null));
        sort($ids);

        return $ids;
    }
}
