<?php

declare(strict_types=1);

namespace App\Http\Requests\Coding;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use WaryHeron\Core\Coding\AskedWhen;
use WaryHeron\Core\Coding\Book\Entry;
use WaryHeron\Core\Coding\Book\Outline;
use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Coding\Pass;

/** An item of the codebook as its form sends it. */
final class CodebookItemRequest extends FormRequest
{
    /** @return array<string, list<string|object>> */
    public function rules(): array
    {
        return [
            'label' => ['required', 'string', 'max:120'],
            'section' => ['nullable', 'string', 'max:120'],
            'pass' => ['nullable', Rule::enum(Pass::class)],
            'guidance' => ['nullable', 'string', 'max:2000'],
            'examples' => ['nullable', 'string', 'max:2000'],
            'synonyms' => ['nullable', 'string', 'max:2000'],
            'required' => ['nullable', 'boolean'],
            'per' => ['nullable', 'string', 'max:40'],
            'type' => ['required', Rule::enum(CodeType::class)],
            'options' => ['nullable', 'string', 'max:8000', 'required_if:type,choice,choices'],
            'unit' => ['nullable', 'string', 'max:40'],
            'minimum' => ['nullable', 'numeric'],
            'maximum' => ['nullable', 'numeric', 'gte:minimum'],
            'when' => ['nullable', 'string', 'max:26'],
            'when_answers' => ['nullable', 'string', 'max:4000', 'required_with:when'],
            'becomes' => ['nullable', 'array', 'max:200'],
            'becomes.*' => ['nullable', 'string', 'max:400'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'options.required_if' => 'Give the options to choose from, one on each line.',
            'maximum.gte' => 'The most that can be is less than the least.',
            'when_answers.required_with' => 'Say with which answers this item is asked, one on each line.',
        ];
    }

    public function entry(): Entry
    {
        $answers = self::lines($this->said('when_answers'));

        return new Entry(
            $this->said('label'),
            $this->said('label'),
            $this->code(CodeType::from($this->said('type'))),
            $this->said('guidance'),
            $this->said('examples'),
            self::lines(str_replace([';', ','], "\n", $this->said('synonyms'))),
            $this->said('section'),
            Pass::tryFrom($this->said('pass')) ?? Pass::Mapping,
            $this->boolean('required'),
            $this->said('when') === '' || $answers === [] ? null : new AskedWhen($this->said('when'), $answers),
            mb_strtolower($this->said('per')),
        );
    }

    private function code(CodeType $type): Code
    {
        $isNumber = $type === CodeType::Number;

        return new Code(
            $type,
            $type->hasOptions() ? Outline::read($this->said('options')) : [],
            $isNumber ? $this->said('unit') : '',
            $isNumber ? $this->number('minimum') : null,
            $isNumber ? $this->number('maximum') : null,
        );
    }

    /** @return array<string, string> what becomes of options that are gone */
    public function becomes(): array
    {
        return array_filter(array_map(strval(...), (array) $this->validated('becomes')), fn (string $one): bool => $one !== '');
    }

    private function said(string $key): string
    {
        $said = $this->validated($key);

        return is_string($said) ? trim($said) : '';
    }

    private function number(string $key): ?float
    {
        $said = $this->validated($key);

        return is_numeric($said) ? (float) $said : null;
    }

    /** @return list<string> */
    private static function lines(string $text): array
    {
        $lines = array_map(trim(...), preg_split('/\R/u', $text) ?: []);

        return array_values(array_unique(array_filter($lines, fn (string $one): bool => $one !== '')));
    }
}
