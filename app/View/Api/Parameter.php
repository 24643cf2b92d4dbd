<?php

declare(strict_types=1);

namespace App\View\Api;

use App\Queries\Api\Schema;

/** What is asked for in an address: a part of its path, or behind its question mark. */
final readonly class Parameter implements \JsonSerializable
{
    /** @param  ?bool  $isNeeded  null where it need not be said, as of filters */
    private function __construct(
        private string $name,
        private string $in,
        private ?bool $isNeeded,
        private Schema $schema,
    ) {
    }

    public static function path(string $name): self
    {
        return new self($name, 'path', true, Schema::text());
    }

    public static function query(string $name, bool $isNeeded): self
    {
        return new self($name, 'query', $isNeeded, Schema::text());
    }

    public static function filter(string $name, Schema $schema): self
    {
        return new self($name, 'query', null, $schema);
    }

    public function jsonSerialize(): object
    {
        return (object) [
            'name' => $this->name,
            'in' => $this->in,
            ...($this->isNeeded === null ? [] : ['required' => $this->isNeeded]),
            'schema' => $this->schema,
        ];
    }
}
