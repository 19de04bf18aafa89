package job

// Len is how many elements are remembered.
func (k *Known) Len() int { return len(k.elements.young) + len(k.elements.old) }
