<?php

declare(strict_types=1);

namespace App\Http\Requests\Report;

use App\Actions\Report\SetClaim;
use App\Http\Problems;
use App\Queries\Report\Claims\PieceRef;
use Illuminate\Foundation\Http\FormRequest;

/** What is put to a claim, what is taken off, and whether it is the authors' own. */
final class ClaimRequest extends FormRequest
{
    /** @return array<string, list<string|object>> */
    public function rules(): array
    {
        return [
            'own' => ['sometimes', 'boolean'],
            // pages of an older release sent all that a claim should rest on
            'evidence' => ['missing'],
            ...$this->pieceRules('adds'),
            ...$this->pieceRules('takes_off'),
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['evidence.missing' => Problems::OLDER_PAGE];
    }

    /** @return list<PieceRef> */
    public function adds(): array
    {
        return $this->pieces('adds');
    }

    /** @return list<PieceRef> */
    public function takesOff(): array
    {
        return $this->pieces('takes_off');
    }

    /** Null where the page does not say. */
    public function own(): ?bool
    {
        return $this->has('own') ? $this->boolean('own') : null;
    }

    /** @return array<string, list<string>> */
    private function pieceRules(string $field): array
    {
        return [
            $field => ['sometimes', 'array', 'max:'.SetClaim::MOST],
            "{$field}.*.kind" => ['required', 'in:answer,passage,result,decision,scouted'],
            "{$field}.*.id" => ['required', 'string', 'max:90'],
        ];
    }

    /** @return list<PieceRef> */
    private function pieces(string $field): array
    {
        return array_map(
            fn (array $one): PieceRef => new PieceRef((string) $one['kind'], (string) $one['id']),
            array_values((array) $this->validated($field, [])),
        );
    }
}
