<?php

declare(strict_types=1);

namespace App\Http\Requests\FullTexts;

use App\Queries\FullTexts\Retrievals;
use Carbon\CarbonImmutable;
use Carbon\CarbonInterface;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use WaryHeron\Core\FullText\RetrievalState;

/** How the seeking of some texts stands from now on. */
final class RetrievalRequest extends FormRequest
{
    /** @return array<string, list<string|object>> */
    public function rules(): array
    {
        return [
            'publications' => ['required', 'array', 'max:'.Retrievals::AT_ONCE],
            'publications.*' => ['string'],
            'state' => ['required', Rule::enum(RetrievalState::class)],
            'reason' => ['nullable', 'string', 'max:300'],
            'dated' => ['nullable', 'date', 'before_or_equal:tomorrow', 'after:1950-01-01'],
        ];
    }

    /** @return list<string> */
    public function publications(): array
    {
        return array_values($this->validated('publications'));
    }

    public function state(): RetrievalState
    {
        return RetrievalState::from($this->validated('state'));
    }

    public function reason(): string
    {
        return trim($this->validated('reason') ?? '');
    }

    public function dated(): CarbonInterface
    {
        $dated = $this->validated('dated');

        return $dated === null ? now() : CarbonImmutable::parse($dated);
    }
}
