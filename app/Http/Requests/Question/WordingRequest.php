<?php

declare(strict_types=1);

namespace App\Http\Requests\Question;

use App\Actions\Question\OwnConcept;
use App\Actions\Question\Provenance;
use App\Actions\Question\QuestionWording;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use WaryHeron\Core\Question\ConceptFrame;

/** A question, taken apart by a frame or into concepts of the team's own. */
final class WordingRequest extends FormRequest
{
    private const MOST_OWN = 12;

    /** @return array<string, list<string|object>> */
    public function rules(): array
    {
        return [
            'title' => ['required', 'string', 'max:200'],
            'question' => ['nullable', 'string', 'max:2000'],
            'frame' => ['nullable', Rule::enum(ConceptFrame::class)],
            'concepts' => ['array:'.implode(',', ConceptFrame::keys())],
            'concepts.*' => ['nullable', 'string', 'max:1000'],
            'own' => ['array', 'max:'.self::MOST_OWN],
            'own.*' => ['array:label,text'],
            'own.*.label' => ['nullable', 'required_with:own.*.text', 'string', 'max:60'],
            'own.*.text' => ['nullable', 'string', 'max:1000'],
            'protocol' => ['nullable', 'string', 'max:1000'],
            'registration' => ['nullable', 'string', 'max:300'],
        ];
    }

    /** @return array<string, string> */
    public function attributes(): array
    {
        return ['own.*.label' => 'name of the concept', 'own.*.text' => 'concept'];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'own.*.label.required_with' => 'Give this concept a name, such as “Setting”.',
            'own.max' => 'A question has no more than '.self::MOST_OWN.' concepts of its own here.',
        ];
    }

    public function wording(): QuestionWording
    {
        $texts = array_map(strval(...), (array) $this->input('concepts', []));

        return new QuestionWording(
            $this->string('title')->value(),
            $this->string('question')->value(),
            $texts,
            $this->enum('frame', ConceptFrame::class) ?? ConceptFrame::Pico,
            $this->own(),
            new Provenance($this->string('protocol')->value(), $this->string('registration')->value()),
        );
    }

    /** @return list<OwnConcept> without rows that were left empty */
    private function own(): array
    {
        $own = [];
        foreach ((array) $this->input('own', []) as $row) {
            $row = is_array($row) ? $row : [];
            [$label, $text] = [(string) ($row['label'] ?? ''), (string) ($row['text'] ?? '')];
            if (trim($label) !== '') {
                $own[] = new OwnConcept(trim($label), $text);
            }
        }

        return $own;
    }
}
