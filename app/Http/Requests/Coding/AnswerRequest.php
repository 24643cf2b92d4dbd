<?php

declare(strict_types=1);

namespace App\Http\Requests\Coding;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use WaryHeron\Core\Coding\AnswerKind;
use WaryHeron\Core\Coding\Evidence;
use WaryHeron\Core\Coding\GivenAnswer;

/** An answer with what it rests on, as the Coding Desk sends it. */
final class AnswerRequest extends FormRequest
{
    /** @return array<string, list<string|object>> */
    public function rules(): array
    {
        return [
            'value' => ['nullable'],
            'value.*' => ['string', 'max:400'],
            'kind' => ['nullable', Rule::enum(AnswerKind::class)],
            'note' => ['nullable', 'string', 'max:4000'],
            'from_whole' => ['nullable', 'boolean'],
            'evidence' => ['nullable', 'array', 'max:40'],
            'evidence.*' => ['array'],
            ...EvidenceRules::under('evidence.*'),
            'seen' => ['nullable', 'string', 'max:26'],
            'part' => ['nullable', 'string', 'max:26'],
        ];
    }

    public function given(): GivenAnswer
    {
        $given = $this->validated();

        return new GivenAnswer(
            $given['value'] ?? null,
            AnswerKind::from($given['kind'] ?? AnswerKind::Value->value),
            array_map(Evidence::fromArray(...), array_values($given['evidence'] ?? [])),
            trim($given['note'] ?? ''),
            (bool) ($given['from_whole'] ?? false),
        );
    }

    /** The answer that the page showed, '' for none, null where it does not say. */
    public function seen(): ?string
    {
        return $this->has('seen') ? (string) $this->validated('seen') : null;
    }
}
