<?php

declare(strict_types=1);

namespace App\Queries\Shared;

/** What somebody asked for, by name, as an address or a kept recipe gives it. */
final readonly class Asked
{
    /**
     * @param  array<string, string>  $texts
     * @param  list<string>  $ticked  publications ticked on the page
     */
    public function __construct(private array $texts = [], public array $ticked = [])
    {
    }

    public function text(string $name, int $most = 200): string
    {
        return mb_substr($this->texts[$name] ?? '', 0, $most);
    }

    public function is(string $name): bool
    {
        return filter_var($this->text($name), FILTER_VALIDATE_BOOLEAN);
    }

    /** The key of a row, or nothing where it cannot be one. */
    public function id(string $name): ?string
    {
        $id = $this->text($name);

        return preg_match('/^[0-9a-hjkmnp-tv-z]{26}$/i', $id) === 1 ? strtolower($id) : null;
    }

    public function year(string $name): ?int
    {
        $year = (int) $this->text($name);

        return $year > 0 ? min($year, 9999) : null;
    }
}
