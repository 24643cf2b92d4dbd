<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Dialect;

use WaryHeron\Core\Search\Query\Field;
use WaryHeron\Core\Search\Query\LimitKind;

/** @internal Checks a dialect file key by key; docs/dialects.md describes them. */
final class DialectFile
{
    /**
     * Reserved words, one sort of signs, and another repeated: such a pattern looks at each sign once, so that one
     * from a stranger cannot run for ever. Nested or alternating repetitions could.
     */
    private const LINEAR = '~^/\^(?:\(\?!\(\?:[\p{L}\p{N}\-]+(?:\\\\d\+)?(?:\|[\p{L}\p{N}\-]+(?:\\\\d\+)?)*\)\$\))?(?:(?:\[(?:[^\]\\\\]|\\\\.)+\]|\\\\[wSd]|\\\\p\{\w+\}))?(?:\[(?:[^\]\\\\]|\\\\.)+\]|\\\\[wSd]|\\\\p\{\w+\})[+*]?\$/[iu]*$~u';

    private const LARGEST = 64_000;

    private const KEYS = [
        'name',
        'title',
        'boolean',
        'fields',
        'fieldForm',
        'fieldScope',
        'fieldJoin',
        'plainWord',
        'escape',
        'escaped',
        'truncation',
        'masking',
        'quote',
        'proximity',
        'heading',
        'limits',
        'lines',
        'longest',
        'reader',
    ];

    private const OPTIONAL = ['fieldJoin', 'masking', 'quote', 'escaped', 'longest', 'reader'];

    /** @var list<string> */
    private array $problems = [];

    /** @param  array<mixed>  $data */
    private function __construct(private readonly array $data)
    {
    }

    /**
     * @return array<mixed> with every key there is
     *
     * @throws BadDialect
     */
    public static function read(string $json): array
    {
        if (strlen($json) > self::LARGEST) {
            throw new BadDialect(['It is larger than '.number_format(self::LARGEST).' bytes.']);
        }
        $data = json_decode($json, true, 12);
        if (! is_array($data) || array_is_list($data)) {
            throw new BadDialect([
                'It is not valid JSON: '.
                (json_last_error() === JSON_ERROR_NONE ? 'an object in { } was expected' : json_last_error_msg()).
                '.',
            ]);
        }
        $file = new self($data);
        $file->check();
        if ($file->problems !== []) {
            throw new BadDialect($file->problems);
        }

        return $data + array_fill_keys(self::OPTIONAL, null);
    }

    private function check(): void
    {
        foreach (array_diff(self::KEYS, self::OPTIONAL, array_keys($this->data)) as $key) {
            $this->problems[] = "There is no “{$key}”.";
        }
        foreach (array_diff(array_keys($this->data), self::KEYS) as $key) {
            $this->problems[] = "“{$key}” is not a key of a dialect.";
        }
        if ($this->problems !== []) {
            return;
        }
        $this->pattern('name', '/^[a-z][a-z0-9-]{1,30}$/', 'a short name of small letters, digits and hyphens');
        $this->text('title', $this->data['title']);
        $this->boolean();
        $this->fields();
        $this->plainWord();
        $this->fieldForm();
        foreach (['escape', 'escaped', 'fieldJoin'] as $key) {
            $this->optionalText($key, $this->data[$key] ?? null);
        }
        $this->truncation();
        $this->masking();
        $this->quote();
        $this->proximity();
        $this->heading();
        $this->limits();
        $this->lines();
        $this->at('longest') === null || $this->wholeNumber('longest');
        $this->at('reader') === null || $this->oneOf('reader', ['heron', 'cql', 'ccl']);
    }

    /** What stands at a key or, after a dot, within it; null where nothing does. */
    private function at(string $key): mixed
    {
        $value = $this->data;
        foreach (explode('.', $key) as $part) {
            $value = is_array($value) ? $value[$part] ?? null : null;
        }

        return $value;
    }

    private function boolean(): void
    {
        $this->forms('boolean', $this->data['boolean'], ['and' => [], 'or' => [], 'not' => [], 'reading' => []]);
        $this->oneOf('boolean.reading', ['left-to-right', 'not-and-or']);
    }

    private function fieldForm(): void
    {
        $this->oneOf('fieldScope', ['term', 'group']);
        $named = $this->data['fieldScope'] === 'group' ? '{fields}' : '{field}';
        $this->form('fieldForm', $this->data['fieldForm'], ['{text}', $named]);
    }

    private function proximity(): void
    {
        $forms = ['form' => ['{left}', '{right}'], 'binds' => []];
        if ($this->forms('proximity', $this->data['proximity'], $forms, true)) {
            $this->oneOf('proximity.binds', ['as-boolean', 'tightest']);
            $this->wholeNumber('proximity.furthest');
        }
    }

    private function heading(): void
    {
        if ($this->forms('heading', $this->data['heading'], ['form' => ['{label}']], true)) {
            $this->optionalForm('heading.narrower', []);
            $this->optionalForm('heading.less', ['{label}']);
            $this->optionalForm('heading.major', []);
            $this->optionalForm('heading.qualifier', ['{qualifier}']);
        }
    }

    private function lines(): void
    {
        if ($this->forms('lines', $this->data['lines'], ['one' => ['{line}']], true)) {
            $this->optionalForm('lines.any', ['{lines}']);
            $this->optionalForm('lines.all', ['{lines}']);
            $this->optionalForm('lines.range', ['{from}']);
            $this->optionalForm('lines.command', ['{text}']);
        }
    }

    private function fields(): void
    {
        if (! is_array($this->data['fields'])) {
            $this->problems[] = '“fields” gives a notation for each field, as in {"title": "TI"}.';

            return;
        }
        foreach ($this->data['fields'] as $field => $notation) {
            if (Field::tryFrom((string) $field) === null) {
                $this->problems[] =
                    "“fields.{$field}” is not a field; fields are ".
                    implode(', ', array_column(Field::cases(), 'value')).
                    '.';
            }
            $this->text("fields.{$field}", $notation);
        }
    }

    private function plainWord(): void
    {
        $pattern = $this->data['plainWord'];
        if (
            ! is_string($pattern) ||
            preg_match(self::LINEAR, $pattern) !== 1 ||
            @preg_match($pattern, 'word') === false
        ) {
            $this->problems[] =
                '“plainWord” is a pattern for words that need no quotation marks: words that it is not, if there are such, then one or two sorts of signs, the last as often as you like, '.
                'as in "/^(?!(?:and|or)$)[a-z][a-z0-9-]*$/iu" or "/^\\\\w+$/u".';
        }
    }

    private function truncation(): void
    {
        if ($this->data['truncation'] === null) {
            return;
        }
        $this->text('truncation.sign', $this->at('truncation.sign'));
        $this->wholeNumber('truncation.minimumStem');
    }

    private function masking(): void
    {
        $masking = $this->data['masking'] ?? null;
        if ($masking === null) {
            return;
        }
        if (! is_array($masking) || array_diff(array_keys($masking), ['one', 'any', 'maybe']) !== []) {
            $this->problems[] =
                '“masking” says the signs for letters within a word: one, any number, and maybe one (“one”, “any”, “maybe”), each a sign or null.';

            return;
        }
        $signs = array_filter($masking, fn (mixed $sign): bool => $sign !== null);
        foreach ($signs as $key => $sign) {
            if (! is_string($sign) || preg_match('/^[^\p{L}\p{N}\s"()]{1,3}$/u', $sign) !== 1) {
                $this->problems[] = "“masking.{$key}” is one to three signs that are no letters, blanks, quotation marks or brackets.";
            }
        }
        if (count(array_unique(array_filter($signs, is_string(...)))) < count($signs)) {
            $this->problems[] = 'Each of the signs in “masking” stands for something else.';
        }
    }

    private function quote(): void
    {
        $quote = $this->data['quote'] ?? null;
        $isSign = fn (mixed $sign): bool => is_string($sign) && preg_match('/^[^\p{L}\p{N}\s()*?\\\\]$/u', $sign) === 1;
        if (
            $quote !== null &&
            (! is_array($quote) || count($quote) !== 2 || ! $isSign($quote[0] ?? null) || ! $isSign($quote[1] ?? null))
        ) {
            $this->problems[] = '“quote” is the opening and the closing quotation mark, as in ["“", "”"].';
        }
    }

    private function limits(): void
    {
        if (! is_array($this->data['limits'])) {
            $this->problems[] = '“limits” gives a form for each limit, or is empty: {}.';

            return;
        }
        foreach ($this->data['limits'] as $kind => $form) {
            if (LimitKind::tryFrom((string) $kind) === null) {
                $this->problems[] =
                    "“limits.{$kind}” is not a limit; limits are ".
                    implode(', ', array_column(LimitKind::cases(), 'value')).
                    '.';
            } elseif ($kind === LimitKind::Year->value) {
                $this->forms('limits.year', $form, [
                    'one' => ['{from}'],
                    'between' => ['{from}', '{to}'],
                    'from' => ['{from}'],
                    'to' => ['{to}'],
                ]);
            } else {
                $this->form("limits.{$kind}", $form, ['{value}']);
            }
        }
    }

    /** @param  array<string, list<string>>  $forms  the marks that each form has to hold, by key */
    private function forms(string $key, mixed $value, array $forms, bool $orNull = false): bool
    {
        if ($value === null && $orNull) {
            return false;
        }
        if (! is_array($value)) {
            $this->problems[] =
                "“{$key}” has the keys ".implode(', ', array_keys($forms)).($orNull ? ', or is null.' : '.');

            return false;
        }
        $before = count($this->problems);
        foreach ($forms as $name => $marks) {
            $this->form("{$key}.{$name}", $value[$name] ?? null, $marks);
        }

        return count($this->problems) === $before;
    }

    /** @param  list<string>  $marks */
    private function form(string $key, mixed $value, array $marks): void
    {
        $this->text($key, $value);
        foreach ($marks as $mark) {
            if (is_string($value) && ! str_contains($value, $mark)) {
                $this->problems[] = "“{$key}” has no {$mark}.";
            }
        }
    }

    private function text(string $key, mixed $value): void
    {
        if (! is_string($value) || trim($value) === '' || mb_strlen($value) > 400) {
            $this->problems[] = "“{$key}” has to be text of 1 to 400 letters.";
        }
    }

    private function optionalText(string $key, mixed $value): void
    {
        $value === null || $this->text($key, $value);
    }

    /** @param  list<string>  $marks */
    private function optionalForm(string $key, array $marks): void
    {
        $value = $this->at($key);
        $value === null || $this->form($key, $value, $marks);
    }

    private function pattern(string $key, string $pattern, string $what): void
    {
        $value = $this->at($key);
        if (! is_string($value) || preg_match($pattern, $value) !== 1) {
            $this->problems[] = "“{$key}” has to be {$what}.";
        }
    }

    private function wholeNumber(string $key): void
    {
        $value = $this->at($key);
        if (! is_int($value) || $value < 1) {
            $this->problems[] = "“{$key}” has to be a whole number from 1.";
        }
    }

    /** @param  list<string>  $choices */
    private function oneOf(string $key, array $choices): void
    {
        if (! in_array($this->at($key), $choices, true)) {
            $this->problems[] = "“{$key}” is one of ".implode(', ', $choices).'.';
        }
    }
}
